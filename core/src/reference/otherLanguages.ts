/**
 * Everyday names in German, French, Spanish, Italian and Dutch, as they stand on plates and pads, for the words by which
 * the catalogue finds a type. Names of several words are written together here, with and without their single letters.
 * From memory.
 */
const NAMES = `
refrigerator: kühlschrank kuehlschrank kühlgefrierkombination réfrigérateur refrigerateur frigo frigorífico frigorifico frigorifero nevera koelkast
compressor cool box: kompressorkühlbox kompressorkuehlbox
cool box: kühlbox kuehlbox glacière glaciere koelbox
freezer: gefrierschrank gefriertruhe gefrierbox tiefkühler congélateur congelateur congelador congelatore diepvries vriezer vrieskist
kettle: wasserkocher bouilloire hervidor bollitore waterkoker
coffee machine: kaffeemaschine cafetière cafetiere cafetera koffiezetapparaat koffiemachine
toaster: grillepain tostadora tostapane broodrooster
microwave: mikrowelle microondes microondas microonde magnetron
induction hob: induktionskochfeld induktionsplatte kochfeld inductiekookplaat
oven: backofen
television: fernseher téléviseur televiseur télévision televisor televisión televisore televisie
light: licht beleuchtung lumière lumiere éclairage eclairage luz luces luce luci verlichting
lamp: lampe lámpara lampara lampada leuchte
fan: ventilateur ventilador ventilatore lüfter luefter dachlüfter ventola
heater: heizung heizer chauffage calefacción calefaccion calefactor stufa verwarming kachel
fan heater: heizlüfter heizluefter radiateursoufflant termoventilatore ventilatorkachel
diesel heater: standheizung dieselheizung
aircon: klimaanlage klimagerät klimageraet climatisation climatiseur clim airco
hair dryer: föhn foehn haartrockner sèchecheveux sechecheveux secador asciugacapelli haardroger
iron: bügeleisen buegeleisen feràrepasser ferrepasser strijkijzer
washing machine: waschmaschine lavelinge lavadora lavatrice wasmachine
dishwasher: spülmaschine spuelmaschine geschirrspüler lavevaisselle lavavajillas lavastoviglie vaatwasser
vacuum: staubsauger aspirateur aspiradora aspirapolvere stofzuiger
water pump: wasserpumpe pompeàeau pompeeau bombadeagua waterpomp
compressor: kompressor compresseur compresor compressore
pump: pumpe pompe bomba pompa pomp
water heater: warmwasserboiler chauffeeau calentador scaldabagno scaldacqua
computer: rechner ordinateur ordenador
laptop: ordinateurportable ordenadorportátil ordenadorportatil computerportatile
electric blanket: heizdecke couverturechauffante
rice cooker: reiskocher
waffle iron: waffeleisen gaufrier
`;

const KNOWN = new Map<string, readonly string[]>(
  NAMES.trim()
    .split('\n')
    .flatMap((line) => {
      const [meant = '', names = ''] = line.split(': ');
      // Words come with or without the s of a plural.
      return names
        .split(' ')
        .flatMap((name) => [name, name.replace(/s$/, '')].map((one) => [one, meant.split(' ')] as const));
    }),
);

/** The longest of such names in words. */
const MOST_WORDS = 3;

/** Words of a text with those of other languages as the catalogue has them. @param words in lower case */
export function inEnglish(words: readonly string[]): string[] {
  const meant: string[] = [];
  for (let i = 0; i < words.length; ) {
    let taken = 0;
    for (let many = Math.min(MOST_WORDS, words.length - i); many > 0 && taken === 0; many--) {
      const known = KNOWN.get(words.slice(i, i + many).join(''));
      if (!known) continue;
      meant.push(...known);
      taken = many;
    }
    if (taken === 0) meant.push(words[i] as string);
    i += Math.max(1, taken);
  }
  return meant;
}
