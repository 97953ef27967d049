/**
 * Generic appliance types, one a line; no makes. Watts are what one piece takes at its own terminals while
 * it runs: typical, then the usual range. Column "when" is minutes @ start times; "day" is around the clock.
 * Draw: W | W duty setC for what cycles | phases "name W min, …" ("*" fills the rest of the run, "W×1" starts so
 * many times as strongly as it runs, where the column "start" is not of it) | standby W |
 * water-heating W litres rise efficiency standing-W | room mode capacity COP set m³ insulation glass-m² internal-W.
 * Label T = common practice, M = recalled from memory.
 *
 * id | name | everyday words | draw | low–high W | when | path | start | power factor | label
 */
export const APPLIANCE_TABLE = `
kettle | Kettle | water boiler tea hot | steady 1500 | 900–2400 | 4 @ 07:00 12:30 18:30 | inverter | resistive | 1 | T
kettle-low | Low-watt kettle | travel kettle water boiler | steady 900 | 600–1000 | 6 @ 07:00 12:30 18:30 | inverter | resistive | 1 | M
kettle-12v | 12 V kettle | travel water boiler | steady 150 | 120–200 | 25 @ 07:00 | direct | resistive | 1 | M
coffee-filter | Coffee machine, filter | coffee drip brewer pot moka electric | cycle brew 1000 6, keep warm 60 30 | 700–1500 | 36 @ 07:00 | inverter | resistive | 1 | M
coffee-pod | Coffee machine, pod | coffee capsule espresso | cycle heat 1400×1 0.5, brew 1200×1.1 1 | 1200–1600 | 1.5 @ 07:00 10:00 14:00 | inverter | pump | 1 | M
coffee-espresso | Espresso machine | coffee barista | cycle heat 1400×1 5, brew 1000×1.1 2 | 1000–1600 | 7 @ 07:00 13:00 | inverter | pump | 1 | M
coffee-grinder | Coffee grinder | beans mill | steady 150 | 100–250 | 1 @ 07:00 | inverter | tool | 0.8 | M
milk-frother | Milk frother | foam latte | steady 450 | 300–600 | 2 @ 07:00 | inverter | resistive | 1 | M
toaster | Toaster | bread toast | steady 900 | 700–1400 | 4 @ 07:15 | inverter | resistive | 1 | T
microwave-700 | Microwave, 700 W cooking | oven reheat | steady 1050 | 1000–1150 | 6 @ 12:30 18:30 | inverter | microwave | 0.9 | T
microwave-900 | Microwave, 900 W cooking | oven reheat | steady 1350 | 1250–1450 | 5 @ 12:30 18:30 | inverter | microwave | 0.9 | T
hob-1 | Induction hob, one ring | cooktop stove cooking plate cook cooker | steady 1800 | 1000–2100 | 12 @ 12:15 18:15 | inverter | electronics | 0.98 | T
hob-2 | Induction hob, two rings | cooktop stove cooking plate cook cooker | steady 3000 | 1800–3500 | 12 @ 12:15 18:15 | inverter | electronics | 0.98 | M
hotplate | Electric hotplate | ring stove cooking | steady 1500 | 1000–2000 | 20 @ 18:15 | inverter | resistive | 1 | M
oven-mini | Mini oven | bake roast toaster oven | steady 1300 | 900–1600 | 30 @ 18:00 | inverter | resistive | 1 | M
air-fryer | Air fryer | fry chips hot air | steady 1400 | 1000–1800 | 18 @ 18:00 | inverter | resistive | 1 | M
pressure-cooker | Electric pressure cooker | multi cooker stew | cycle heat 1000 15, hold 100 25 | 700–1100 | 40 @ 17:30 | inverter | resistive | 1 | M
rice-cooker | Rice cooker | rice steamer | cycle cook 400 20, keep warm 40 20 | 300–700 | 40 @ 18:00 | inverter | resistive | 1 | M
slow-cooker | Slow cooker | crock stew | steady 150 | 100–250 | 360 @ 10:00 | inverter | resistive | 1 | M
sandwich-press | Sandwich press | toastie grill panini | steady 800 | 600–1000 | 6 @ 12:15 | inverter | resistive | 1 | M
bread-maker | Bread maker | bread machine loaf baking | cycle knead 100 90, bake 550 60 | 400–700 | 150 @ 08:00 | inverter | resistive | 1 | M
waffle-iron | Waffle iron | pancake | steady 1000 | 800–1200 | 15 @ 08:30 | inverter | resistive | 1 | M
egg-boiler | Egg cooker | boiler | steady 350 | 300–400 | 10 @ 07:30 | inverter | resistive | 1 | M
blender | Blender | smoothie mixer | steady 500 | 300–1200 | 2 @ 08:00 | inverter | tool | 0.85 | M
hand-mixer | Hand mixer | whisk baking | steady 250 | 150–400 | 4 @ 16:00 | inverter | tool | 0.85 | M
food-processor | Food processor | chopper | steady 600 | 400–900 | 3 @ 17:30 | inverter | tool | 0.85 | M
dishwasher-small | Tabletop dishwasher | dishes washing | cycle heat 1100×1 25, wash 60 50 | 900–1300 | 75 @ 19:30 | inverter | pump | 0.95 | M
extractor-hood | Extractor fan, galley | hood cooker vent | steady 25 | 10–60 | 30 @ 18:15 | direct | electronics | 1 | M
ignition-gas | Gas hob ignition | igniter spark | steady 2 | 1–5 | 1 @ 07:00 12:00 18:00 | direct | electronics | 1 | M
fridge-small | Compressor fridge, 40 l | refrigerator cooler | thermostatic 42 0.24 4 | 35–55 | day | direct | motor | 1 | T
fridge-medium | Compressor fridge, 80 l | refrigerator cooler | thermostatic 50 0.30 4 | 40–65 | day | direct | motor | 1 | T
fridge-large | Compressor fridge, 130 l | refrigerator larder | thermostatic 60 0.35 4 | 50–80 | day | direct | motor | 1 | M
fridge-domestic | Domestic fridge | freezer refrigerator house mains | thermostatic 100 0.35 4 | 70–160 | day | inverter | motor | 0.7 | M
fridge-absorption-12v | Absorption fridge on 12 V | three-way gas fridge driving | steady 130 | 100–180 | 120 @ 09:00 | direct | resistive | 1 | T
freezer-small | Box freezer, 45 l | deep freeze chest | thermostatic 48 0.38 -18 | 40–60 | day | direct | motor | 1 | M
freezer-drawer | Drawer freezer | deep freeze | thermostatic 55 0.40 -18 | 45–70 | day | direct | motor | 1 | M
cool-box-thermo | Thermoelectric cool box | peltier cooler | steady 48 | 40–60 | 720 @ 08:00 | direct | resistive | 1 | M
cool-box-compressor | Compressor cool box | portable fridge cooler esky | thermostatic 45 0.25 4 | 35–60 | day | direct | motor | 1 | M
ice-maker | Ice maker | ice cubes | steady 120 | 90–160 | 60 @ 16:00 | inverter | motor | 0.75 | M
wine-cooler | Wine cooler | bottle fridge | thermostatic 70 0.30 12 | 50–90 | day | inverter | motor | 0.75 | M
lights-led | LED lights | lamp ceiling lighting bulbs spot downlight spotlight | steady 14 | 5–40 | 30 @ 06:30, 240 @ 18:30 | direct | electronics | 1 | T
light-reading | Reading light | lamp bed | steady 3 | 1–5 | 60 @ 21:30 | direct | electronics | 1 | M
light-strip | LED strip | lighting ambient | steady 10 | 5–25 | 180 @ 19:00 | direct | electronics | 1 | M
light-awning | Awning light | outside lamp porch | steady 10 | 5–20 | 120 @ 20:00 | direct | electronics | 1 | M
light-work | Work light | flood lamp outside | steady 30 | 10–60 | 60 @ 19:00 | direct | electronics | 1 | M
lamp-desk | Desk light, mains | lamp bench | steady 9 | 5–15 | 240 @ 17:00 | inverter | electronics | 0.6 | M
stage-lights | LED stage lights | spotlight theatre par show | steady 60 | 30–150 | 120 @ 19:00 | inverter | electronics | 0.9 | M
laptop | Laptop | computer notebook work | steady 38 | 20–90 | 150 @ 09:00 14:00 | inverter-adapter | electronics | 0.6 | T
laptop-large | Laptop, workstation | computer notebook gaming | steady 90 | 60–230 | 180 @ 09:00 14:00 | inverter-adapter | electronics | 0.9 | M
laptop-usb | Laptop on USB-C, 12 V | computer notebook work | steady 38 | 20–65 | 150 @ 09:00 14:00 | dc-dc | electronics | 1 | M
computer-desktop | Desktop computer | pc tower workstation | steady 150 | 80–400 | 300 @ 09:00 | inverter | electronics | 0.9 | T
computer-small | Small computer | mini pc media | steady 15 | 8–35 | 600 @ 09:00 | inverter-adapter | electronics | 0.6 | T
monitor | Monitor, 24 inch | screen display | steady 20 | 15–35 | 480 @ 09:00 | inverter-adapter | electronics | 0.6 | T
television | Television, 32 inch | tv telly screen | steady 45 | 25–70 | 150 @ 19:30 | inverter | electronics | 0.7 | M
television-12v | Television, 12 V | tv telly screen | steady 25 | 18–40 | 150 @ 19:30 | direct | electronics | 1 | M
projector | Projector | beamer cinema film | steady 120 | 40–280 | 120 @ 20:00 | inverter | electronics | 0.9 | M
tablet | Tablet | screen charger | steady 12 | 8–20 | 120 @ 21:00 | dc-dc | electronics | 1 | M
phone | Phone | mobile cell charger usb | steady 10 | 5–20 | 90 @ 21:00 | dc-dc | electronics | 1 | T
phone-adapter | Phone on its mains charger | mobile cell plug | steady 10 | 5–20 | 90 @ 21:00 | inverter-adapter | electronics | 0.5 | T
smartwatch | Watch charger | wearable | steady 2 | 1–3 | 90 @ 21:00 | dc-dc | electronics | 1 | M
router | Router, 12 V | wifi modem internet network | standby 8 | 5–15 | day | direct | electronics | 1 | T
router-mobile | Mobile router | wifi 4g 5g lte hotspot | standby 6 | 4–12 | day | direct | electronics | 1 | M
signal-booster | Signal booster | repeater antenna cell | standby 10 | 6–20 | day | direct | electronics | 1 | M
satellite-internet | Satellite internet | dish link terminal | cycle boot 100 5, busy 75 *, stow 30 1 | 40–150 | 180 @ 09:00 18:00 | inverter-adapter | electronics | 0.9 | M
satellite-internet-dc | Satellite internet, DC | dish link terminal | cycle boot 90 5, busy 62 *, stow 25 1 | 35–100 | 180 @ 09:00 18:00 | dc-dc | electronics | 1 | M
satellite-tv | Satellite television receiver | dish decoder tv | steady 18 | 12–30 | 150 @ 19:30 | direct | electronics | 1 | M
radio | Radio | music stereo | steady 10 | 5–40 | 120 @ 17:00 | direct | electronics | 1 | M
speaker | Loudspeaker, powered | speaker music audio bluetooth soundbar | steady 20 | 10–60 | 120 @ 18:00 | inverter | electronics | 0.7 | M
amplifier | Amplifier | amp music audio pa | steady 80 | 30–300 | 120 @ 19:00 | inverter | electronics | 0.7 | M
sound-desk | Sound desk | mixer audio mixing console | steady 45 | 25–120 | 150 @ 18:30 | inverter | electronics | 0.8 | M
games-console | Games console | gaming play | steady 120 | 60–220 | 90 @ 20:00 | inverter | electronics | 0.95 | M
printer-inkjet | Inkjet printer | print | steady 20 | 10–40 | 10 @ 11:00 | inverter | electronics | 0.6 | M
printer-3d | 3D printer | filament additive | steady 120 | 60–350 | 240 @ 10:00 | inverter | electronics | 0.9 | M
printer-label | Label printer | thermal print | steady 30 | 20–60 | 10 @ 11:00 | inverter-adapter | electronics | 0.6 | M
camera-charger | Camera battery charger | photo video | steady 12 | 8–25 | 120 @ 20:00 | inverter-adapter | electronics | 0.5 | M
drone-charger | Drone battery charger | quadcopter flying | steady 180 | 60–300 | 90 @ 11:00 | inverter | electronics | 0.9 | M
tool-charger | Tool battery charger | cordless drill | steady 100 | 60–350 | 60 @ 17:00 | inverter | electronics | 0.6 | M
bike-charger | E-bike charger | bike ebike electric bicycle pedelec | steady 150 | 90–250 | 240 @ 12:00 | inverter | electronics | 0.9 | M
scooter-charger | E-scooter charger | electric | steady 80 | 60–120 | 240 @ 12:00 | inverter | electronics | 0.6 | M
wheelchair-charger | Wheelchair charger | mobility scooter | steady 180 | 100–300 | 420 @ 22:00 | inverter | electronics | 0.9 | M
toothbrush | Toothbrush charger | brush | standby 1.5 | 1–2 | day | inverter | electronics | 0.5 | M
shaver | Shaver | razor | steady 5 | 3–10 | 5 @ 07:00 | inverter-adapter | electronics | 0.5 | M
hair-dryer | Hair dryer | blow drier airbrush styler | steady 1500 | 800–2200 | 6 @ 07:30 | inverter | resistive | 1 | T
hair-straightener | Hair straightener | iron tongs curler | steady 60 | 40–200 | 15 @ 07:30 | inverter | resistive | 1 | M
cpap | CPAP machine | sleep breathing apnoea medical | steady 30 | 15–60 | 480 @ 22:30 | direct | electronics | 1 | M
bipap | BiPAP machine | ventilator niv respirator breathing medical | steady 40 | 20–90 | 480 @ 22:30 | direct | electronics | 1 | M
cpap-humidifier | CPAP with humidifier | sleep breathing apnoea medical | steady 60 | 40–90 | 480 @ 22:30 | inverter | electronics | 0.9 | M
oxygen | Oxygen concentrator | medical breathing | steady 300 | 100–400 | 480 @ 22:30 | inverter | motor | 0.8 | M
nebuliser | Nebuliser | medical inhaler | steady 100 | 60–180 | 15 @ 08:00 20:00 | inverter | motor | 0.8 | M
medicine-fridge | Medicine fridge | medication insulin medical cooler | thermostatic 30 0.25 5 | 20–45 | day | direct | motor | 1 | M
heater-diesel | Diesel heater | air heating parking | cycle glow start 105 4, run 22 *, glow stop 85 3 | 15–40 | 180 @ 05:30 18:00 | direct | resistive | 1 | T
heater-gas | Gas blower heater | air heating | steady 20 | 10–45 | 360 @ 17:00 | direct | electronics | 1 | M
heater-water-diesel | Diesel water heater | hydronic boiler | cycle glow start 110×1 3, run 35 *, glow stop 80×1 3 | 25–60 | 40 @ 06:30 18:30 | direct | pump | 1 | M
boiler-gas | Gas boiler | hot water heating | steady 15 | 5–40 | 60 @ 07:00 18:00 | direct | electronics | 1 | M
boiler-small | Electric boiler, 6 l | hot water tank | water-heating 800 15 40 0.95 6 | 300–1500 | 60 @ 06:00 | inverter | resistive | 1 | M
boiler-electric | Electric water heater, 10 l | hot water boiler tank immersion geyser | water-heating 800 20 40 0.95 8 | 400–1500 | 90 @ 06:00 | inverter | resistive | 1 | M
fan-heater | Fan heater | electric heating space | room heating 1500 1 20 12 light 0.8 100 | 750–2000 | 30 @ 07:00 | inverter | resistive | 1 | T
panel-heater | Electric panel heater | radiator heating infrared | room heating 500 1 18 12 good 0.5 100 | 300–1000 | 240 @ 18:00 | inverter | resistive | 1 | M
blanket | Electric blanket, 12 V | heated bed | steady 45 | 30–80 | 60 @ 22:00 | direct | resistive | 1 | M
blanket-mains | Electric blanket, mains | heated bed | steady 60 | 40–100 | 60 @ 22:00 | inverter | resistive | 1 | M
underfloor | Underfloor heating | warm floor mat | steady 200 | 100–400 | 120 @ 07:00 18:00 | inverter | resistive | 1 | M
aircon-rooftop | Rooftop air conditioner | aircon con cooling ac climate fixed speed | room cooling 3400 2.8 24 14 light 0.8 200 | 900–1800 | 240 @ 13:00 | inverter | fixed-speed | 0.9 | T
aircon-window | Window air conditioner | aircon con cooling ac climate wall old fixed speed | room cooling 2500 2.7 24 14 light 0.8 200 | 500–1500 | 240 @ 13:00 | inverter | fixed-speed | 0.9 | M
aircon-portable | Portable air conditioner | aircon con cooling ac climate hose spot fixed speed | room cooling 2600 2.5 24 14 light 0.8 200 | 700–1400 | 240 @ 13:00 | inverter | fixed-speed | 0.9 | M
aircon-12v | Battery air conditioner, 12/24 V | aircon con cooling parking climate | room cooling 1200 2.6 25 6 light 0.5 100 | 250–800 | 240 @ 13:00 | direct | variable | 1 | M
aircon-split | Split air conditioner, inverter type | aircon con cooling climate heat pump mini | room cooling 2100 3.5 24 14 good 0.8 200 | 300–1000 | 240 @ 13:00 | inverter | variable | 0.95 | M
evap-cooler | Evaporative cooler | swamp cooling | steady 40 | 20–80 | 360 @ 12:00 | direct | electronics | 1 | M
fan-roof | Roof fan | vent ventilator | steady 25 | 10–45 | 480 @ 12:00 | direct | electronics | 1 | T
fan-desk | Small fan | ventilator breeze | steady 8 | 3–20 | 600 @ 12:00 | direct | electronics | 1 | T
fan-mains | Pedestal fan | ventilator breeze | steady 45 | 30–60 | 300 @ 13:00 | inverter | motor | 0.7 | M
dehumidifier | Dehumidifier | damp dry | steady 200 | 150–350 | 240 @ 10:00 | inverter | motor | 0.8 | M
water-pump | Water pump | tap shower pressure | steady 55 | 35–90 | 3 @ 07:00 12:30 19:00 | direct | pump | 1 | T
shower-pump | Shower pump | outdoor shower | steady 50 | 30–80 | 6 @ 18:00 | direct | pump | 1 | M
sump-pump | Waste pump | grey bilge sump | steady 50 | 30–100 | 3 @ 19:30 | direct | pump | 1 | M
macerator | Macerating toilet | macerator wc loo flush pump | steady 200 | 120–300 | 1 @ 07:00 13:00 21:00 | direct | pump | 1 | M
toilet-cassette | Cassette toilet flush | wc loo pump | steady 40 | 30–60 | 1 @ 07:00 13:00 21:00 | direct | pump | 1 | M
composting-fan | Toilet vent fan | composting separating wc | standby 1.5 | 1–3 | day | direct | electronics | 1 | M
water-purifier | Water steriliser, UV | filter purifier | steady 20 | 10–40 | 10 @ 07:00 12:30 19:00 | direct | electronics | 1 | M
water-maker | Water maker | desalinator reverse osmosis | steady 500 | 300–2400 | 60 @ 11:00 | inverter | motor | 0.8 | M
washing-machine-small | Small washing machine | washer laundry | steady 250 | 150–500 | 40 @ 10:00 | inverter | motor | 0.75 | M
washing-machine | Washing machine, heating | washer laundry | cycle heat 2000×1 15, wash 150 50, spin 400 8 | 1800–2300 | 73 @ 10:00 | inverter | motor | 0.85 | T
tumble-dryer | Tumble dryer | clothes drier laundry heat pump | steady 2400 | 1800–2600 | 60 @ 11:30 | inverter | heated | 0.95 | T
iron | Clothes iron | ironing press | steady 1200 | 800–2200 | 15 @ 09:00 | inverter | resistive | 1 | M
vacuum | Vacuum cleaner, mains | hoover vac clean | steady 700 | 400–1400 | 10 @ 10:00 | inverter | tool | 0.9 | T
vacuum-robot | Robot vacuum cleaner, its dock | hoover clean cleaner robotic | steady 28 | 15–60 | 120 @ 11:00 | inverter | electronics | 0.5 | M
vacuum-cordless | Cordless vacuum cleaner, its charger | hoover clean stick handheld | steady 25 | 15–60 | 180 @ 11:00 | inverter | electronics | 0.5 | M
vacuum-12v | Vacuum cleaner, 12 V | hoover vac clean hand | steady 100 | 60–150 | 10 @ 10:00 | direct | tool | 1 | M
sewing-machine | Sewing machine | stitch fabric | steady 80 | 50–120 | 60 @ 14:00 | inverter | tool | 0.8 | M
drill | Drill, mains | tool workshop | steady 650 | 400–1000 | 10 @ 10:00 | inverter | tool | 0.9 | M
grinder | Angle grinder | tool workshop cut | steady 900 | 600–2000 | 10 @ 10:00 | inverter | tool | 0.9 | M
saw | Circular saw | tool workshop cut | steady 1300 | 900–1800 | 10 @ 10:00 | inverter | tool | 0.9 | M
dehydrator | Food dehydrator | jerky fruit | steady 350 | 200–600 | 480 @ 09:00 | inverter | resistive | 1 | M
sous-vide | Sous-vide stick | water bath immersion circulator | cycle heat 1000 15, hold 150 * | 600–1500 | 120 @ 17:00 | inverter | resistive | 1 | M
soup-maker | Soup maker | blender cook | steady 900 | 700–1100 | 21 @ 12:00 | inverter | resistive | 1 | M
yoghurt-maker | Yoghurt maker | yogurt | steady 15 | 8–40 | 480 @ 22:00 | inverter | resistive | 1 | M
towel-rail | Heated towel rail | towels dryer | steady 60 | 30–150 | 120 @ 07:00 | inverter | resistive | 1 | M
steam-mop | Steam mop | steam cleaner floor | steady 1300 | 1000–1600 | 15 @ 10:00 | inverter | resistive | 1 | M
pressure-washer | Pressure cleaner | washer jet wash high | steady 1600 | 1200–2800 | 15 @ 10:00 | inverter | motor | 0.9 | M
heat-gun | Heat gun | hot air paint shrink | steady 1600 | 1000–2200 | 10 @ 10:00 | inverter | resistive | 1 | M
dvd-player | DVD player | disc blu ray film | steady 12 | 6–30 | 120 @ 20:00 | direct | electronics | 1 | M
nas | Network storage | nas disk file server | standby 20 | 8–45 | day | inverter-adapter | electronics | 0.6 | M
fish-finder | Fish finder | fishfinder sonar sounder depth | steady 10 | 3–30 | 360 @ 08:00 | direct | electronics | 1 | M
soldering-iron | Soldering iron | tool bench soldering | steady 60 | 25–100 | 30 @ 10:00 | inverter | resistive | 1 | M
glue-pot | Glue pot | glue heater craft hot | steady 80 | 40–150 | 180 @ 10:00 | inverter | resistive | 1 | M
guillotine | Guillotine motor | paper cutter trimmer craft | steady 370 | 250–750 | 5 @ 11:00 15:00 | inverter | motor | 0.75 | M
compressor-air | Air compressor, 12 V | tyre tire pump inflate inflator | steady 250 | 120–400 | 10 @ 09:00 | direct | motor | 1 | M
compressor-mains | Air compressor, mains | workshop spray | steady 1100 | 700–1800 | 10 @ 10:00 | inverter | motor | 0.8 | M
winch | Winch | recovery pull | steady 2400 | 1500–5000 | 3 @ 12:00 | direct | motor | 1 | M
steps-electric | Electric step | door ladder | steady 60 | 40–100 | 1 @ 08:00 18:00 | direct | pump | 1 | M
awning-motor | Awning motor | shade | steady 80 | 50–150 | 1 @ 10:00 19:00 | direct | pump | 1 | M
bed-lift | Bed lift | drop-down bed motor | steady 150 | 100–300 | 1 @ 08:00 22:00 | direct | pump | 1 | M
levelling-jacks | Levelling jacks | leveling stabiliser hydraulic legs | steady 800 | 500–1500 | 3 @ 18:00 | direct | motor | 1 | M
roof-lift | Pop-top lift | roof actuator | steady 120 | 80–250 | 1 @ 08:00 18:00 | direct | pump | 1 | M
alarm | Alarm | security siren | standby 1.5 | 0.5–3 | day | direct | electronics | 1 | M
gas-alarm | Gas and CO alarm | detector carbon monoxide safety | standby 1 | 0.5–2 | day | direct | electronics | 1 | M
tracker | Tracker | gps location security | standby 0.5 | 0.2–1 | day | direct | electronics | 1 | M
dashcam | Dash camera, parked | dashcam recorder | standby 4 | 2–7 | day | direct | electronics | 1 | M
reversing-camera | Reversing camera | rear view | steady 6 | 4–10 | 60 @ 09:00 | direct | electronics | 1 | M
security-camera | Security camera | cctv recorder | standby 8 | 4–20 | day | direct | electronics | 1 | M
battery-monitor | Battery monitor | shunt meter display | standby 0.4 | 0.1–2 | day | direct | electronics | 1 | M
control-panel | Control panel | display tank gauge | standby 3 | 1–8 | day | direct | electronics | 1 | M
always-on | Always on | standby idle bms relay small consumers quiescent | standby 6 | 2–20 | day | direct | electronics | 1 | T
vhf-radio | Two-way radio | uhf vhf cb transceiver | steady 12 | 5–50 | 120 @ 09:00 | direct | electronics | 1 | M
navigation | Navigation display | gps chart plotter map | steady 15 | 8–30 | 120 @ 09:00 | dc-dc | electronics | 1 | M
aquarium | Aquarium | fish tank pump | standby 25 | 10–80 | day | inverter | electronics | 0.8 | M
heat-mat | Heated mat for animals | pet reptile bed | steady 20 | 10–40 | 600 @ 20:00 | inverter | resistive | 1 | M
pump-sampling | Borehole sampler | sampling pump sonde water survey | steady 60 | 30–150 | 70 @ 10:30 | direct | pump | 1 | M
massage-gun | Massager | muscle | steady 30 | 15–60 | 15 @ 21:00 | inverter-adapter | electronics | 0.6 | M
sandwich-toaster | Toastie maker | sandwich toaster panini press | steady 750 | 600–1000 | 6 @ 07:30 | inverter | resistive | 1 | M
humidifier | Humidifier | room mist | steady 25 | 10–60 | 480 @ 22:00 | inverter-adapter | electronics | 1 | M
baby-monitor | Baby monitor | nursery | steady 3 | 1–8 | 720 @ 19:00 | dc-dc | electronics | 1 | M
infusion-pump | Infusion pump | medical syringe drip feeding | steady 10 | 5–30 | 1440 @ 00:00 | direct | electronics | 1 | M
air-purifier | Air purifier | filter clean | steady 30 | 10–60 | 480 @ 22:00 | inverter | electronics | 0.8 | M
power-bank | Power bank | battery pack usb | steady 18 | 10–60 | 120 @ 20:00 | dc-dc | electronics | 1 | M
`;
