/**
 * Words of lines and plates that are no names, by what they do there: a class of one character, for the rules, and a tag.
 * English, German, French, Spanish, Italian and Dutch, as they stand on pads and plates. From memory.
 *
 * a article · p per · e each · d day · n night · k week · m month · y year · f fortnight · w says the days by itself (tag: days
 * a week, or "weekday", "weekend") · i name of a weekday · s season · o part of the day · c time of the day with a name ·
 * h half of the day · g what a use is called · I people · j how often · t "times" · u "pieces" · Y a number of pieces ·
 * J part of a whole · r "to" · b "from" · v always · l "of" · z about · & and · D meanwhile · ? what no job can hold ·
 * ω of a year · ! of what a figure is (tag) · q protects a circuit · δ duty · θ words of a plate that name nothing · ρ a rated figure (tag) ·
 * F small words · G places and other words that change nothing.
 */
const WORDS = `
a: a|an|un|une|ein|eine|einer|una|uno|een
p: per|p.|pro|par|por|je|al|alla
e: each|every|ea|ea.|jeden|jede|jedes|chaque|cada|elke|ogni|each of
d: day|days|tag|tage|tagen|jour|jours|día|dia|días|dias|giorno|giorni|dag|dagen|d
n: night|nights|nacht|nächte|nuit|nuits|noche|noches|notte|notti
k: week|weeks|wk|wks|w|woche|wochen|semaine|semaines|semana|semanas|settimana|weken|w
m: month|months|monat|mois|mes|mese|maand|mth
y: year|years|yr|p.a.|pa|p.a|annum|jahr|an|année|año|anno|jaar|yrs
f: fortnight|fortnights|14 days
w 7: daily|täglich|taeglich|dagelijks|am tag|quotidien|diario|nightly|every single day|most days
w 1: weekly|wöchentlich|p/w|pw|p.w.|once a wk
w 0.5: fortnightly|biweekly|every other week|every second week|every 2nd week|every other wk
w 0.230137: monthly|monatlich|every month
w 0.115068: every other month|every second month
w 3.5: every other day|every second day|every 2nd day|every other night|every second night|alternate days|alternate nights|alternating days|on alternate days
w 2.333333: every third day|every 3rd day|every third night
w 0.333333: every third week|every 3rd week
w 3: m/w/f|mwf|m, w, f
w weekday: weekday|weekdays|weeknight|weeknights|week nights|week-nights|work days|workdays|work day|working days|school days|business days|office days|werktags|werktage|monday to friday|mondays to fridays|mon-fri|m-f|mo-fr|wochentags|en semaine
w weekend: weekend|weekends|the weekend|wochenende|am wochenende|week-end|le week-end|fin de semana|fines de semana
i 0: mon|monday|mondays|mo|montag|lundi|lunes
i 1: tue|tues|tuesday|tuesdays|tu|dienstag|mardi|martes
i 2: wed|weds|wednesday|wednesdays|we|mittwoch|mercredi|miércoles
i 3: thu|thur|thurs|thursday|thursdays|th|donnerstag|jeudi|jueves
i 4: fri|friday|fridays|fr|freitag|vendredi|viernes
i 5: sat|saturday|saturdays|sa|samstag|samedi|sábado
i 6: sun|sunday|sundays|su|sonntag|dimanche|domingo
s summer: summer|summers|summertime|sommer|été|verano|estate|zomer
s winter: winter|winters|wintertime|hiver|invierno|inverno
o morning: morning|mornings|breakfast|breakfasts|morgens|vormittags|matin|mañana|mañanas|mattina|ochtend
o day: daytime|by day|during the day|in daylight|tagsüber
o noon: lunch|lunchtime|lunchtimes|midday meal
o afternoon: afternoon|afternoons|nachmittags|après-midi|tarde|tardes|pomeriggio|middag
o evening: evening|evenings|eve|eves|dinner|dinners|supper|suppers|abends|abend|soir|soirs|sera|avond
o night: bedtime|by night|nachts|nighttime|night time|at bedtime
o whole-night: overnight|all night|all night long|die ganze nacht|ganze nacht|toute la nuit|toda la noche|tutta la notte|hele nacht|de hele nacht
o whole-morning: all morning|the whole morning|all morning long
o whole-afternoon: all afternoon|the whole afternoon|all afternoon long
o whole-evening: all evening|the whole evening|all evening long
o but-night: off overnight|overnight off|off at night|off by night|off all night|off during the night|switched off overnight|turned off overnight|switched off at night|turned off at night|at night off
c 720: noon|midday|mittag|midi
c 1440: midnight|mitternacht|minuit
c 1140: dusk|sunset|dark
c 360: dawn|sunrise
h 0: am|a.m.|a.m|morgens früh
h 720: pm|p.m.|p.m
g: cup|cups|mug|mugs|coffee|coffees|tea|teas|espresso|espressos|shot|shots|shower|showers|cycle|cycles|wash|washes|load|loads|loaf|loaves|charge|charges|use|uses|run|runs|flush|flushes|meal|meals|brew|brews|boil|boils|round|rounds|batch|batches|bake|bakes|go|goes|time|burn|burns|shave|shaves
I: person|persons|people|guest|guests|personne|personnes|personen|pers
j 1: once|einmal|une fois|una vez
j 2: twice|2ce|zweimal|deux fois|dos veces|tweemaal|bid|b.i.d.|b.i.d
j 3: thrice|dreimal|trois fois|tres veces|tid|t.i.d.|t.i.d
j 4: qid|q.i.d.|q.i.d|viermal
t: times|mal|fois|veces|volte|keer
u: pcs|pcs.|pc|pieces|piece|off|no.|nos|nos.|batts|bulbs|packs|stück|stk|units|of them|of these|of those
Y 2: pair of|a pair of|couple of|a couple of|two of them
Y 12: dozen|a dozen|dozen of|a dozen of
Y 6: half a dozen|half a dozen of|half dozen
J 0.5: half|halbe|demi|half a|half an
J 0.25: quarter|a quarter|quarter of
J 0.333333333: third|a third|one third
J 0.666666667: two thirds
J 0.75: three quarters|three quarter|three-quarters|three-quarter
r: to|till|until|til|bis|jusque|hasta|through|thru|tot
b: from|between|von|de|starting|starting at
v: always|always on|around the clock|round the clock|rund um die uhr|all day|all day long|all day and night|all day and all night|all the time|non-stop|nonstop|permanently|permanent|day & night|day and night|night and day|night & day|cont|cont.|continuous|continuously|const|const.|constant|constantly|ongoing|en permanence|siempre|dauernd|constant on|24/7|24-7|24x7|24×7|24 7|24 hours a day|24h a day|24 h a day|on all the time
l: of|out of|von je
z: about|approx|approx.|approximately|ca|ca.|circa|around|roughly|maybe|perhaps|some|≈|@~|env|env.|environ|etwa|ungefähr|usually|normally|say|est|est.
&: and|plus|und|et|en|&|+
D: while cooking|when cooking|whilst cooking|while driving|whilst driving|when driving|driving|during driving|while travelling|whilst travelling|travelling|while towing|towing|on the road|under way|underway|while moving|while cruising|while parked|parked|while stationary|while riding|while sailing|while camping|while fishing
?: as needed|as required|if needed|when needed|on demand|occasionally|sometimes|now and then|now and again|except|except for|unless|whenever|when|if|below|above|in and out|out and in|up and down|open and close|nearly|almost|mostly|hardly|barely|not quite|january|february|april|june|july|august|september|october|november|december|jan|feb|apr|jun|jul|aug|sep|sept|oct|nov|dec|on occasion|as wanted|by turns|wet days|dry days|humid days|foggy days|warm days|dull days|sunny days|cloudy days|windy days|busy days|rest days|show days|market days|event days|baking days|wash days|washing days|laundry days|race days|party nights|game nights|hot nights|each stop|every stop|each trip|every trip|each move|every move|each pitch|every pitch|each camp|at each stop|per flight|every now and then|every now and again|once in a while|every once in a while|from time to time|rarely|seldom|hardly ever|alternately|alternating|in turns|by turns|at a time|one at a time|nearly all the time|almost all the time|most of the time|most nights|most evenings|most mornings|rainy days|damp days|cold days|hot days|cold nights|warm nights|movie nights|film nights|travel days|every travel day|per stop|per trip|per pitch|per move|hourly
! input: input|in put|power input|rated input|electrical input|draw|draws|drawing|uses|using|takes|taking|consumption|consumes|power consumption|aufnahme|leistungsaufnahme|consommation|consumo|power draw|rated power input|input power|rated input power|i/p|primary|pri|eingang|entrée|entree|entrada|ingresso|ingång|in /|ac in|ac input|dc input|dc in
! output: output|out|power output|output power|in car output|rated output|rated output power|o/p|secondary|sec:|ausgang|sortie|salida|uscita|utgång|dc out|dc output|ac output|ac out
! cooking: cooking|cooking power|microwave output|rf output|microwave power
! cooling: cooling capacity|cooling output|cooling performance|of cooling|kühlleistung|kälteleistung|refrigerating capacity|refrigeration capacity|total cooling
! cools: cooling|cooling power|kühlen
! heating: heating capacity|heating power|heating output|heat output|heat flow|heat power|heat|heizleistung|thermal power|thermal output|heating performance|rated heating power
! heats: heating|heizen
! shaft: shaft|shaft power|on the shaft|at the shaft|p2|mechanical
! sound: rms|pmpo|music power|music|w rms
! peak: peak|surge|inrush|start|starts|starting|start-up|startup|to start|lra|locked rotor|locked rotor amps|locked rotor current|starting current|inrush current|start current|peak power|surge power|start up|glow|glow start|glow phase|glow current|ignition|anlaufstrom|pk
! most: max|max.|maximum|max power|at most|peak load
! average: average|avg|avg.|on average|averages|averaging|mean|typical|typ|typ.|typically|measured|actual|actually|nominal use|moyenne|im mittel|durchschnittlich|nom|nom.
! equivalent: equivalent|equiv|equiv.|equivalent to|bulb equivalent|incandescent equivalent|halogen equivalent
! running: running|runs at|rla|fla|flc|rated load amps|full load amps|full load current|running current
! total: total|in total|altogether|all together|together|combined|for all|for all of them|total of|all told
! standby: standby|stand-by|stand by|off mode|off-mode|sleep mode|no-load|no load|idle|quiescent
! low: low|on low|low setting|low speed
! high: high|on high|high setting|high speed
! middle: med|medium|mid|on medium
q: breaker|breakers|circuit breaker|mca|mocp|mop|min circuit amps|min. circuit amps|minimum circuit amps|minimum circuit ampacity|min circuit ampacity|max breaker|max overcurrent|max overcurrent protection|maximum overcurrent protection|maximum fuse|maximum breaker|fuse|fuses|fuse size|max fuse|mcb|rcbo|rcd|circuit|socket|sockets|socket outlet|outlet|receptacle|sicherung|absicherung|fusible|fusibile|zekering|fused at|fuse rating
δ: duty|duty cycle|of the time|cycling|of time
ϕ: cos φ|cosφ|cos ϕ|cosϕ|cos phi|cosphi|pf|p.f.|power factor
~: a.c.|a.c
=: d.c.|d.c
X: a/c|dc-dc|dc to dc|dc dc
ω: annual|yearly|annually|jährlich|jahresverbrauch|annuel|annuelle|jaarverbruik
θ: model|type|rated|rating|ratings|nominal|voltage|voltages|power|current|frequency|supply|serial|ser|class|protection class|energy|rated voltage|rated current|rated power|rated frequency|nennspannung|nennstrom|nennleistung|spannung|leistung|strom|tensión|tension|tensione|potencia|puissance|potenza|vermogen|spanning|corriente|courant|corrente|capacity|power supply|n°|sn|s/n|p/n|un|pn|watts|watt|amps|volts|consumption rate|mains
ρ: pmax|pmpp|pm|wp|vmp|vmpp|umpp|imp|impp|voc|uoc|isc|noct|nmot
F: the|at|in|on|for|with|without|w/|w/o|no|is|are|it|its|by|during|then|only|just|both|all|so|used|usage|runtime|run time|via|through the|also|my|our|le|la|les|der|die|das|den|el|los|las|il|lo|het|im|in the|at the|on the|each of|not|been|has|have|will|this|that|than|or|oder|ou|o
G: kitchen|galley|lounge|living|dinette|bedroom|bathroom|washroom|wet room|toilet|cab|cabin|cockpit|loft|garage|boot|locker|outside|outdoors|inside|indoors|porch|rear|front|left|right|side|ceiling|wall|hall|bunk|medical|critical|essential|timer|plugged in|usb|adapter|adaptor|battery|charging|compressor time|compressor|compressor running|compressor on|before bed|before sleep|cycling|bar|inch|rx|tx|receive|receiving|transmit|transmitting|charged|unit|charger|chargers|psu
`;

/** What a word or several of them do. */
export interface Entry {
  readonly cls: string;
  readonly tag: string;
}

/** Parts of phrases as they are parted in a text: letters, numbers, single signs. */
const PARTS = /\p{L}[\p{L}\p{M}]*|\d+|[^\s]/gu;

/** Entries by their first part, the longest first, each with the parts that follow. */
export const PHRASES: ReadonlyMap<string, readonly { readonly parts: readonly string[]; readonly entry: Entry }[]> =
  (() => {
    const phrases = new Map<string, { parts: readonly string[]; entry: Entry }[]>();
    for (const line of WORDS.trim().split('\n')) {
      const at = line.indexOf(':');
      const [cls = '', tag = ''] = [line.slice(0, 1), line.slice(1, at).trim()];
      const entry = { cls, tag };
      for (const phrase of line.slice(at + 1).split('|')) {
        const parts = phrase.trim().match(PARTS) ?? [];
        const [first = ''] = parts;
        const all = phrases.get(first) ?? [];
        all.push({ parts, entry });
        phrases.set(first, all);
      }
    }
    for (const all of phrases.values()) all.sort((a, b) => b.parts.length - a.parts.length);
    return phrases;
  })();
