/**
 * Lines as hurried people of four countries write them, with what each means, written by hand before the rules that read
 * them. In the form of `lineCorpus.ts`, and: weekday, weekend, winter, summer = minutes on such days; phases = watts × minutes
 * of each; step = the step of the work that it is offered to, for what is no load.
 */
export const FRESH_LINES = `
kettle 1.8kw 4 mins 5 x day ⇒ type kettle; W 1800; n 5; min 20
2 x laptops 55w 4hrs/day ⇒ type laptop; q 2; W 55; min 240
fridge 12v 3.8a approx 35% ⇒ type fridge-small; W 45.6; duty 35; path direct
telly 19" 12v 22w 3 hrs eves ⇒ type television-12v; W 22; min 180; path direct
leds x 8 @ 2.2w 5hrs ⇒ type lights-led; q 8; W 2.2; min 300
galley pump 12v 4a 12 mins a day ⇒ W 48; min 12; path direct
toaster 850w 3 mins am ⇒ type toaster; W 850; min 3
microwave 800w cooking 6 mins/day ⇒ W 1176.47; min 6
microwave 1250w input 6 mins ⇒ W 1250; min 6
hoover 600w 8 mins twice a wk ⇒ type vacuum; W 600; min 8; days 2
hair straighteners 48w 10 min ⇒ type hair-straightener; W 48; min 10
diesel heater 18w 9hr nights winter only ⇒ type heater-diesel; W 18
fan heater 2kw 20 min am 20 min pm ⇒ W 2000; n 2; min 40
electric blanket 12v 4.5a 45 min ⇒ W 54; min 45; path direct
phone x3 12Wh each a day ⇒ type phone; q 3; wh 12
CPAP no humidifier 24w 7.5hrs ⇒ type cpap; W 24; min 450
immersion 850w 1hr 15 ⇒ W 850; min 75
slow cooker 160w 10 till 4 ⇒ ?bare-number
slow cooker 160w 10am till 4pm ⇒ type slow-cooker; W 160; min 360
bread maker 0.38kwh a loaf every other day ⇒ type bread-maker; wh 380; days 3.5
air fryer 1500w 25 min 5 nights a week ⇒ type air-fryer; W 1500; min 25; days 5
radio 9w 7-9am and 5-7pm ⇒ type radio; W 9; min 240; n 2
wifi 11w 24hr ⇒ type router; W 11; min 1440
bilge pump 12v 3a 2 min/day ⇒ W 36; min 2; path direct
e bike chargers x2 84w 3hrs ⇒ type bike-charger; q 2; W 84; min 180
washer 2100w 0.55kwh per wash 3 washes a week ⇒ type washing-machine; wh 550; days 3
shower pump 50w 6 min x 2 people ⇒ type shower-pump; W 50; min 12; n 2
tv and soundbar 60w 2h ⇒ ?sound-or-input
cool box 12v 46w 10 hr while driving ⇒ W 46; min 600; path direct
reading lights 4 off 1.8w 1.5hr ⇒ type light-reading; q 4; W 1.8; min 90
extractor 12v 18w 40 min cooking ⇒ W 18; min 40; path direct
dehumidifier 180w 4h ⇒ type dehumidifier; W 180; min 240
grill 1.6kw 12min ⇒ W 1600; min 12
induction 1.4kw 15 min low 0.6kw 20 min ⇒ phases 1400x15, 600x20
alarm 25mA ⇒ type alarm; W 0.3
tracker 12V 15mA 24/7 ⇒ type tracker; W 0.18; min 1440
water heater 1.3kw 230v 35mins ⇒ W 1300; min 35; path inverter
laptop charger 65w usb c 4h ⇒ W 65; min 240; path dc-dc
soldering station 75w 45m ⇒ ?bare-number
projector 95w film nights 2h fri sat ⇒ type projector; W 95; days 2; min 120
sewing mc 70w 1hr mon wed ⇒ W 70; min 60; days 2
coffee maker 1100W brew 8 min then warm 70W 45 min ⇒ phases 1100x8, 70x45
microwave 1000W 6 min ⇒ ?cooking-or-input
roof AC 13500 BTU 1350W 5 hrs ⇒ type aircon-rooftop; W 1350; min 300
mini split 9k btu 720W input 6h ⇒ type aircon-split; W 720; min 360
furnace fan 12V 7.2A 50% duty ⇒ W 86.4; path direct
furnace blower 7A 3 hrs ⇒ W 84; min 180; path direct
fridge 12V 5.2A 40% ⇒ type fridge-medium; W 62.4; duty 40
residential fridge 120V 1.3A 33% ⇒ type fridge-domestic; W 156; path inverter
tv 120V 0.6A 4 hrs ⇒ type television; W 72; min 240; path inverter
water pump 7 amps 10 mins/day ⇒ type water-pump; W 84; min 10
hair dryer 1875W 5 min daily ⇒ type hair-dryer; W 1875; min 5
led lights 12 @ 1.5W 4 hours ⇒ type lights-led; q 12; W 1.5; min 240
laptop 60W x 6 hrs ⇒ type laptop; W 60; min 360; q 1
laptops 2 at 60 watts 6 hrs ⇒ type laptop; q 2; W 60; min 360
roof fan 2.8A on high 0.6A on low ⇒ ?second-figure
vent fan 12v 0.6a 10pm-7am ⇒ W 7.2; min 540; at 22:00
cpap w/ heated hose 53W 8hrs ⇒ type cpap; W 53; min 480
satellite internet 55W avg 10 hrs ⇒ type satellite-internet; W 55; min 600
space heater 1500W 6-6:45pm ⇒ W 1500; min 45; at 18:00
tv 45w 10-2am ⇒ W 45; min 240; at 22:00
tv 45W 9-11pm ⇒ W 45; min 120; at 21:00
lights 20W 8-10 am ⇒ W 20; min 120; at 8:00
griddle 1400W 11am-1pm ⇒ W 1400; min 120; at 11:00
fan 12W 11pm-6 ⇒ W 12; min 420; at 23:00
stew pot 210W 9-5pm ⇒ W 210; min 480; at 9:00
router 8W 6am-10pm ⇒ type router; W 8; min 960; at 6:00
ice maker 115v 1.1A 90 min ⇒ type ice-maker; W 126.5; min 90
portable ac 8000btu r134a 850W 4h ⇒ type aircon-portable; W 850; min 240
fridge R134a 55g 12V 4.2A ⇒ W 50.4; path direct
freezer R600a 12/24V 4.1/2.1A ⇒ type freezer-small; W 49.2
tablet 10W 3hr ⇒ type tablet; W 10; min 180
blender 700W 1 min daily ⇒ type blender; W 700; min 1
vacuum 12A 120V 10 min weekly ⇒ type vacuum; W 1440; days 1; min 10
electric skillet 1200 watts half hour ⇒ W 1200; min 30
griddle 1500W quarter hour 2x/week ⇒ W 1500; min 15; days 2
dvd 15w 2 hrs sat/sun ⇒ type dvd-player; W 15; min 120; days 2
toilet 12V 12A 15 sec 8x/day ⇒ W 144; n 8; min 2
slide outs 30A 45s 2x a week ⇒ W 360; min 0.75; days 2
tongue jack 12V 30A 2 min ⇒ W 360; min 2; path direct
air compressor 15A 115V 20 min ⇒ W 1725; min 20; path inverter
3 way fridge 12V 11A driving 4h ⇒ W 132; min 240; path direct
phone charger 18W 2.5h x2 ⇒ W 18; n 2; min 300
phones 2x 18W 2.5h ⇒ q 2; W 18; min 150
stock tank heater 250W 30% duty ⇒ W 250; duty 30
game console 160W 2.5 hours on weekends ⇒ type games-console; W 160; min 150; days 2
tv 60W 2 h weekdays 5 h weekends ⇒ type television; W 60; min 120; weekend 300
laptop 50W 8h weekdays, 2h weekends ⇒ type laptop; W 50; min 480; weekend 120
lights 15W 3h summer 6h winter ⇒ W 15; min 180; winter 360
heater fan 20W 2h 10h in winter ⇒ ?second-figure
fan 20W 8h summer only ⇒ W 20; min 480; winter 0
heat pad 30W 4h in winter ⇒ W 30; min 240; summer 0
fridge 60L 12v 3.5A running, cycles 30% ⇒ W 42; duty 30; path direct
esky compressor 45w 25% of the time ⇒ W 45; duty 25
jug 2200w 3 min 4 times a day ⇒ W 2200; n 4; min 12
camp lights 6 x 5w 4h nightly ⇒ q 6; W 5; min 240
uhf 12v 0.5A rx 8h ⇒ W 6; min 480; path direct
aircon 2.2kw cooling 650w input 5hrs ⇒ ?fixed-or-inverter; W 650; min 300
evap cooler 12v 3A 6h ⇒ type evap-cooler; W 36; min 360; path direct
induction cooker 2000w 30min/day ⇒ W 2000; min 30
coffee machine 1450w 3 coffees a day, 1.5 min each ⇒ W 1450; n 3; min 4.5
travel oven 12v 10A 45min ⇒ W 120; min 45; path direct
dish terminal 50w ⇒ W 50
washing machine 300w 30 min twice weekly ⇒ W 300; min 30; days 2
water pump 12v 8A 15L/day at 12 L/min ⇒ W 96; min 1.25
air heater 30w 8hrs ⇒ W 30; min 480
laptop 19.5v 3.34A 4hr ⇒ type laptop; W 65.13; min 240; path dc-dc
camera charger 12w 2hr ⇒ type camera-charger; W 12; min 120
drone 3 batts 60wh each per day ⇒ q 3; wh 60
chainsaw charger 350w 1h ⇒ W 350; min 60
bug zapper 10w 5h ⇒ W 10; min 300
electric dunny 180w 20s 6 times daily ⇒ W 180; n 6; min 2
fridge 12v 24Ah/day ⇒ wh 288
fridge 24 Ah a day ⇒ wh 288
freezer 38Ah/24h 12V ⇒ wh 456
fridge 0.7A average at 25C ⇒ wh 201.6
fridge uses 1.1Ah per hour ⇒ ?charge-per-hour
tv 24v 2A 3h ⇒ W 48; min 180; path dc-dc
ham radio 20A tx 1A rx ⇒ ?second-figure
oven element 3.6kw 25 min ⇒ W 3600; min 25
bar fridge 240v 85w 30% ⇒ W 85; duty 30; path inverter
pie warmer 240V 2.5A 2h ⇒ W 600; min 120; path inverter
Kühlschrank 12V 4A 35% ⇒ type fridge-small; W 48; duty 35
Wasserkocher 1000W 5 Min 3x am Tag ⇒ type kettle; W 1000; n 3; min 15
Laptop 45W 6 Std ⇒ type laptop; W 45; min 360
Kaffeemaschine 1,2 kW 10 Min täglich ⇒ W 1200; min 10
Licht LED 15 W 4 Stunden ⇒ W 15; min 240
Fernseher 12V 25W 2,5h ⇒ type television-12v; W 25; min 150
Wasserpumpe 12V 3,5A 15 Minuten ⇒ type water-pump; W 42; min 15
Standheizung 25W 8h nachts ⇒ W 25; min 480
Kühlbox 45 W 0,4 kWh/Tag ⇒ W 45; wh 400
Föhn 1200 W 5 min ⇒ type hair-dryer; W 1200; min 5
Induktion 1800W 20 min abends ⇒ W 1800; min 20
Heizdecke 100W 1h ⇒ W 100; min 60
Mikrowelle 700W ⇒ ?cooking-or-input
Klimaanlage 900W Aufnahme 4h ⇒ ?fixed-or-inverter; W 900; min 240
Staubsauger 600W 10min 2x pro Woche ⇒ type vacuum; W 600; min 10; days 2
Router 10W rund um die Uhr ⇒ type router; W 10; min 1440
lampe 5W 3h le soir ⇒ W 5; min 180
frigo 12V 45W 8h ⇒ W 45
frigo 0,5 kWh/jour ⇒ wh 500
cafetière 900W 6 min 2 fois par jour ⇒ W 900; n 2; min 12
pompe 12V 5A 10 min par jour ⇒ W 60; min 10
ordinateur 60W 5 heures par jour ⇒ W 60; min 300
télé 12V 30W 3h par soir ⇒ W 30; min 180
chauffage 12V 2A la nuit ⇒ W 24; min 180
bouilloire 2200W 4 min x 3 ⇒ type kettle; W 2200; n 3; min 12
sèche-cheveux 1200W 5 min 3 fois par semaine ⇒ type hair-dryer; W 1200; min 5; days 3
nevera 12V 4,5A 30% ⇒ W 54; duty 30
bomba de agua 12V 6A 10 min ⇒ W 72; min 10
portátil 60W 4 horas al día ⇒ W 60; min 240
luces 12W 5 h por noche ⇒ W 12; min 300
cafetera 1000W 10 min 2 veces al día ⇒ W 1000; n 2; min 20
televisor 30W 3 horas ⇒ W 30; min 180
waterkoker 1500W 4 min 3x per dag ⇒ W 1500; n 3; min 12
koelkast 12V 50W 30% ⇒ W 50; duty 30
verlichting 20W 4 uur per dag ⇒ W 20; min 240
waterpomp 60W 10 min per dag ⇒ W 60; min 10
frigorifero 12V 45W 35% ⇒ W 45; duty 35
luci 15W 4 ore ⇒ W 15; min 240
pompa acqua 12V 5A 10 minuti al giorno ⇒ W 60; min 10
phon 1200W 5 minuti ⇒ W 1200; min 5
coffee machine heat 1400W 1 min then brew 1200W 2 min, 3 times a day ⇒ phases 1400x1, 1200x2; n 3
rice cooker 450W 20 min then keep warm 40W 50 min ⇒ phases 450x20, 40x50
espresso 1400W 3 min, standby 10W 2h ⇒ phases 1400x3, 10x120
washing machine heat 2000W 12 min, wash 180W 45 min, spin 400W 6 min ⇒ phases 2000x12, 180x45, 400x6
diesel heater 110W 4 min start, 25W 6 h run, 90W 3 min stop ⇒ phases 110x4, 25x360, 90x3
fan 15W 6 h low, 30W 1 h high ⇒ phases 15x360, 30x60
brew 1000W 7 min then keep warm 50W 50 min ⇒ phases 1000x7, 50x50
hob 2kW 5 min then 800W 20 min ⇒ phases 2000x5, 800x20
oven 2000W 10 min then 900W 30 min twice a week ⇒ phases 2000x10, 900x30; days 2
heat gun 1500W 5 min ⇒ W 1500; min 5
dishwasher wash 60W 20 min heat 1100W 15 min dry 300W 10 min ⇒ phases 60x20, 1100x15, 300x10
laptop 65W charging 2h then 30W 4h ⇒ phases 65x120, 30x240
kettle brew 7 min then keep warm 50 min ⇒ ?
satellite boot 90W 3 min, then 60W 5h ⇒ phases 90x3, 60x300
fridge averages 14W ⇒ wh 336
fridge 150 Wh/day ⇒ wh 150
scooter charger 450Wh per charge ⇒ wh 450
freezer 0.9kWh/day 230V ⇒ wh 900; path inverter
dishwasher 0.75 kWh/cycle once a day ⇒ wh 750
washing machine 50 kWh/100 cycles 3 a week ⇒ wh 500; days 3
toothbrush 1.1kWh/year ⇒ wh 3.014
tv 32 kWh/1000h 3 h ⇒ W 32; min 180
e-bike 400Wh battery charged every day ⇒ wh 400
laptop battery 60 Wh one charge a day ⇒ wh 60
camera battery 15Wh 3 charges ⇒ wh 45
power tool pack 90Wh 2 a day ⇒ wh 180
lamp 12V 3A 60W ⇒ ?contradiction
kettle 230V 3A 2000W ⇒ ?contradiction
lamp 20W 3h 120Wh ⇒ ?energy-above-power
laptop 60W 2h 300Wh per day ⇒ ?energy-above-power
kettle 2 kWh ⇒ wh 2000
fridge 45W per day ⇒ ?power-per-time
fridge 40A/day ⇒ ?current-per-time
lamp 12A 3h ⇒ W 144
laptop 650W 3h ⇒ W 650
toaster 90W 3 min ⇒ W 90
fridge 450W ⇒ W 450
led 80W each x 6 ⇒ W 80; q 6
tv -30W ⇒ ?negative
tv 30 W 25h ⇒ ?over-a-day
pump 60W 0 min ⇒ ?
heater 1.500 W 1h ⇒ ?unlike-type
kettle 1.500 W ⇒ W 1500
drill 1,100 W 5 min ⇒ W 1100
compressor 1hp 10 min ⇒ ?shaft-or-input
pump 0.37kW shaft 230V 5 min ⇒ W 528.57; min 5
speaker 100W RMS 3h ⇒ W 25; min 180
car stereo 200W 3h ⇒ ?sound-or-input
fridge 45W 130% ⇒ ?
5A fuse for lights 20W 3h ⇒ ?breaker
socket 13A kettle 2kW ⇒ ?breaker
2000 W pure sine inverter ⇒ step inverter
pure sine wave inverter 3000W ⇒ step inverter
inverter 12V 2000W peak 4000W ⇒ step inverter
mppt 40A ⇒ step controller
mppt 100/30 ⇒ step controller
pwm controller 20A ⇒ step controller
solar panel 2 x 200W ⇒ step solar
400W solar ⇒ step solar
2x 175W panels ⇒ step solar
100W folding solar blanket ⇒ step solar
generator 2.2kVA 3h/day ⇒ step generator
suitcase generator 1800W 2 hrs ⇒ step generator
dc dc charger 30A ⇒ ?whose-store
DC-DC 40A ⇒ step dcdc
battery charger 25A 230V ⇒ ?whose-store
200Ah lithium ⇒ step battery
2 x 100Ah agm ⇒ step battery
lifepo4 280Ah 12.8V ⇒ step battery
battery 12V 120Ah ⇒ step battery
power station 1kWh 1000W ⇒ ?
alternator 150A ⇒ step alternator
shore power 16A ⇒ ?
hookup 10A ⇒ ?
inverter charger 3000VA 70A ⇒ step inverter
wind turbine 300W ⇒ step solar
Fridge/freezer 12v 5a 40% duty cycle ⇒ W 60; duty 40
- LED strip 4m 24W 4h ⇒ W 24; min 240
* kettle: 2000W (3 mins ea, 4x/day) ⇒ W 2000; n 4; min 12
kettle - 3 min - 2.2kW - 6 times daily ⇒ W 2200; n 6; min 18
TV; 12V; 28W; 3h ⇒ W 28; min 180; path direct
lights... 18w.. 4 hrs ⇒ W 18; min 240
fridge (12v) - 45w - 24hrs ⇒ W 45
laptop,65w,4h/day,x2 ⇒ q 2; W 65; min 240
gf's hair dryer 1600W 7 min ⇒ W 1600; min 7
dad's oxygen machine 90W overnight ⇒ W 90; min 540
the big fridge 120V 2A 40% ⇒ W 240; duty 40
coffee 1400 watts 4 minutes each morning ⇒ W 1400; min 4
two fans 12v 1.2a all night ⇒ q 2; W 14.4; min 540
three led downlights 3 watts 5 hours ⇒ q 3; W 3; min 300
one microwave 1100 watts input ten minutes ⇒ W 1100; min 10
pump twelve volts four amps five minutes ⇒ W 48; min 5
heater one and a half kilowatts half an hour ⇒ W 1500; min 30
tv thirty watts three and a half hours ⇒ W 30; min 210
kettle 2kW for 4 minutes about five times a day ⇒ W 2000; n 5; min 20
lamp ~10W ~4h ⇒ W 10; min 240
laptop ca. 60 W ca. 5 h ⇒ W 60; min 300
phone 5V/2A 3h ⇒ W 10; min 180
phone 9V 2A 2h ⇒ W 18; min 120
usb-c laptop 20V/3A 4h ⇒ W 60; min 240
router 12V/2A max, 9W avg ⇒ W 9
camera 12VDC 4W 24h ⇒ W 4; min 1440
horn 12V 8A 5s ⇒ W 96; min 0.0833
winch 12V 220A 2min once a month ⇒ W 2640; min 2; days 0.23
bed lift 12V 20A 30s morning and night ⇒ W 240; n 2; min 1
awning 12V 10A 40 s twice a day ⇒ W 120; n 2; min 1.333
macerator 18A 12V 25 s x5 ⇒ W 216; n 5; min 2.083
fan 24h/day 3.5W ⇒ W 3.5; min 1440
lights 6 to 11pm 24W ⇒ W 24; min 300; at 18:00
lights from 6pm until midnight 24W ⇒ W 24; min 360
alarm 12V 20mA always on ⇒ W 0.24; min 1440
fridge 60W 8h compressor running ⇒ W 60; duty 33.33
fridge compressor 65W on 20 min off 40 min ⇒ W 65; duty 33.33
pump 60W on 1 min off 9 min all day ⇒ W 60; min 144
fan 10W every hour for 10 min ⇒ W 10; min 240
heater 500W thermostat 50% 8h ⇒ ?
dehumidifier 200W 50% duty 10h ⇒ ?
inverter standby 15W 24h ⇒ W 15; min 1440
bms 20mA ⇒ W 0.24
usb hub 5V 3A 24/7 ⇒ W 15; min 1440; path dc-dc
kettle 3kw 3 mins 6x/day ⇒ W 3000; n 6; min 18
toaster 900w 2 rounds a day 3 min each ⇒ W 900; n 2; min 6
fridge 45w 24h 30% ⇒ W 45; duty 30
12v fridge 3.5a 40% duty ⇒ W 42; duty 40
laptop 65w 3hr eve ⇒ type laptop; W 65; min 180
2 phones 10w 2h each ⇒ q 2; W 10; min 120
lights 8 x 3w 5h ⇒ q 8; W 3; min 300
telly 40w 7-10pm ⇒ W 40; min 180; at 19:00
water pump 12v 5a 10 min day ⇒ ?
water pump 12v 5a 10 min/day ⇒ W 60; min 10
heater fan 12v 1.5a overnight ⇒ W 18; min 540
diesel heater 22w 6h evenings ⇒ W 22; min 360
induction 2kw 10 min breakfast 25 min dinner ⇒ W 2000; n 2; min 35
microwave 700w 5 min x 2 ⇒ ?cooking-or-input
microwave 1100w input 5 min x 2 ⇒ W 1100; n 2; min 10
hairdryer 1.2kW 5 min every other day ⇒ W 1200; min 5; days 3.5
hoover 700w 15 min on saturdays ⇒ W 700; min 15; days 1
washing machine 2kW 1h 0.5kWh twice a week ⇒ wh 500; days 2
slow cooker 150w 6 hours sundays ⇒ W 150; min 360; days 1
router 12v 1a 24/7 ⇒ W 12; min 1440; path direct
coffee machine 1.4kw 4 min morning ⇒ W 1400; min 4
bread maker 600w 3h twice weekly ⇒ W 600; min 180; days 2
electric blanket 100w 30 min bedtime ⇒ W 100; min 30
fan 12v 0.3a 10pm to 6am ⇒ W 3.6; min 480; at 22:00
tv 45w 2h weekdays 5h weekends ⇒ W 45; min 120; weekend 300
laptop 60w 8h weekdays 1h weekends ⇒ W 60; min 480; weekend 60
heater 1kw 6h in winter 1h in summer ⇒ W 1000; min 60; winter 360
aircon 900w input 8h summer 0.5h winter inverter ⇒ W 900; min 480; winter 30
heater 20w 8h winter 2h summer ⇒ W 20; min 120; winter 480
radio 10w morning and evening 1h ⇒ W 10; n 2; min 120
shower pump 12v 4a 5 min per shower 2 showers ⇒ W 48; n 2; min 10
iron 1200w 20 min fortnightly ⇒ W 1200; min 20; days 0.5
drill charger 60w 1h tue thu ⇒ W 60; min 60; days 2
printer 30w 5 min 3 times a month ⇒ W 30; min 5; days 0.69
chest freezer 80w 0.6kwh/24h ⇒ W 80; wh 600
chest freezer 240v 190kwh/yr ⇒ wh 520.5
icemaker 150w 2hrs ⇒ W 150; min 120
extractor 20w whilst cooking 30 mins ⇒ W 20; min 30
tank heater 12v 60w 8h frosty nights ⇒ ?unread-rest
awning light 5w 3h ⇒ W 5; min 180
cctv 4 cams 3w each 24h ⇒ ?
cctv 12v 1.2a 24hr ⇒ W 14.4; min 1440
fish tank pump 8w 24h ⇒ W 8; min 1440
macerator 12v 16a 30s x 3 ⇒ W 192; n 3; min 1.5
hob 2.2kw 15 min lunch, 30 min dinner ⇒ W 2200; n 2; min 45
roof AC 13500 BTU 1400W 3 hrs ⇒ W 1400; min 180
blender 600W 2 min twice a day ⇒ W 600; n 2; min 4
coffee pot 900W 10 mins then warmer 60W 1 hr ⇒ phases 900x10, 60x60
TV 32" 50W 4 hrs/night ⇒ W 50; min 240
desktop pc 250W 5hr ⇒ W 250; min 300
furnace 12V 8A 6 hrs ⇒ W 96; min 360
CPAP 12V 3A 7.5 hrs ⇒ W 36; min 450
charger for drill 18V 4A 1 hr ⇒ W 72; min 60
LED lights (10) 2W 4hr ⇒ q 10; W 2; min 240
ceiling fans 2 @ 2A 12V 6 hr ⇒ q 2; W 24; min 360
water heater 1440W 120V 45 min ⇒ W 1440; min 45; path inverter
toaster oven 1200W 15 min ⇒ W 1200; min 15
hair straightener 170W 10 min ⇒ W 170; min 10
electric skillet 1200W 20 min ⇒ W 1200; min 20
space heater 1500W 1/2 hr ⇒ W 1500; min 30
space heater 750/1500W 1 hr ⇒ ?second-figure
sump pump 1/3 hp 10 min ⇒ ?shaft-or-input
fridge 115V 1.1A 8 hrs ⇒ W 126.5; duty 33.33
fridge 60 kWh/month ⇒ wh 1972.6
fridge 30 kWh a month ⇒ wh 986.3
minifridge 70W 24 hours 33% ⇒ W 70; duty 33
stereo 40W input 3 hrs ⇒ W 40; min 180
amp 100W rms 2hr ⇒ W 25; min 120
garage door opener 350W 1 min 4x day ⇒ W 350; n 4; min 4
vacuum 1000W 10 min 2x a week ⇒ W 1000; min 10; days 2
dehumidifier 300W 6-6:45pm ⇒ W 300; min 45; at 18:00
night light 3W 10-2am ⇒ W 3; min 240; at 22:00
alarm clock 3W all day ⇒ W 3; min 1440
starlight dish 60W 10h ⇒ W 60; min 600
tire inflator 12V 10A 15 min monthly ⇒ W 120; min 15; days 0.23
battery charger 10A ⇒ ?whose-store
2000 W pure sine inverter ⇒ step inverter
solar panel 200W ⇒ step solar
mppt 40A ⇒ step controller
generator 2kW 3h ⇒ step generator
dc to dc charger 30A ⇒ ?whose-store
100Ah lithium battery ⇒ step battery
wheel lock 12V 5A 10 s twice a day ⇒ W 60; n 2; min 0.333
fridge R134a 12V 4A 40% ⇒ W 48; duty 40
evap cooler 12V 4A 5h ⇒ W 48; min 300
fridge 40L 12V 45W 24h ⇒ W 45
fridge/freezer 60L 4.2A 45% ⇒ W 50.4; duty 45
camp oven 240V 1300W 40min ⇒ W 1300; min 40
hot water 12V 300W 20 min ⇒ W 300; min 20
washing machine 250W 20 min 3x/wk ⇒ W 250; min 20; days 3
diesel heater 12V 1.8A avg 8h ⇒ W 21.6; min 480
esky 12V 46W 60% ⇒ W 46; duty 60
jug 1500W 3min 5x ⇒ W 1500; n 5; min 15
toastie press 700W 5min ⇒ W 700; min 5
annexe lights 12V 1A 4h ⇒ W 12; min 240
uhf 5W 8h ⇒ W 5; min 480
fan 12V 6W x2 10h nights ⇒ q 2; W 6; min 600
sat phone charger 10W 2h ⇒ W 10; min 120
induction 1800W 20min x2 daily ⇒ W 1800; n 2; min 40
bread maker 3h 0.4kWh ⇒ wh 400; min 180
water pump 7A 15 L/min 45 L a day ⇒ W 84; min 3
winch 12V 300A 1 min yearly ⇒ ?unread-word
air compressor 40A 10 min once a fortnight ⇒ W 480; min 10; days 0.5
fridge 30Ah/day ⇒ wh 360
cool box 1.2kWh per 24 hours ⇒ wh 1200
Kühlbox 12V 45W 8 Stunden ⇒ W 45
Wasserkocher 2200W 4 Min 3x täglich ⇒ W 2200; n 3; min 12
Kaffeemaschine 800W 10 Min morgens ⇒ W 800; min 10
Licht 20W 5 Stunden abends ⇒ W 20; min 300
Laptop 65W 4 h werktags ⇒ W 65; min 240; days 5
Föhn 1800W 5 Minuten jeden zweiten Tag ⇒ ?
Fernseher 40W 3h pro Tag ⇒ W 40; min 180
Toaster 850W 3 Minuten ⇒ W 850; min 3
Standheizung 30W 7h nachts ⇒ W 30; min 420
bouilloire 1800W 4 min 3 fois par jour ⇒ W 1800; n 3; min 12
frigo 12V 4A 24h ⇒ W 48
télé 30W 2h le soir ⇒ W 30; min 120
lampe 5W 4 heures ⇒ W 5; min 240
ordinateur 60W 5h par jour ⇒ W 60; min 300
nevera 12V 50W 24h ⇒ W 50
hervidor 2000W 3 min 4 veces al día ⇒ W 2000; n 4; min 12
luz 10W 5 horas ⇒ W 10; min 300
televisor 35W 3 horas ⇒ W 35; min 180
koelkast 12V 4A 50% ⇒ W 48; duty 50
waterkoker 1500W 5 min 2x per dag ⇒ W 1500; n 2; min 10
lampen 4 x 3W 4 uur ⇒ q 4; W 3; min 240
frigorifero 230V 80W 30% ⇒ W 80; duty 30
bollitore 2000W 3 minuti ⇒ W 2000; min 3
luci 12V 18W 5 ore ⇒ W 18; min 300
ventola 12V 0,5A 8h ⇒ W 6; min 480
kettle ⇒ type kettle
60W ⇒ missing name
lamp 60 ⇒ ?bare-number
lamp 10W 5 ⇒ ?bare-number
tv 40W 3m ⇒ ?bare-number
lamp 10W 3h 5h ⇒ ?second-figure
pump 5A 10A ⇒ ?second-figure
200W per day fridge ⇒ ?power-per-time
heater 500W per hour ⇒ ?power-per-time
lamp -5W ⇒ ?negative
heater 500-1500W ⇒ ?range
pump 12V 4A 60W ⇒ ?contradiction
laptop 65W 2-3 hours ⇒ ?range
fuse 10A ⇒ ?breaker
kettle 2kW 4 min when guests come ⇒ ?
tv 30W most evenings ⇒ ?unread-word
lamp 10W 2h (kitchen) ⇒ W 10; min 120
lamp, 10 W, 2 h ⇒ W 10; min 120
lamp | 10W | 2h ⇒ W 10; min 120
LAMP 10W 2H ⇒ W 10; min 120
lamp 10 watts two hours ⇒ W 10; min 120
lamp 0.01kW 120 min ⇒ W 10; min 120
2h lamp 10W ⇒ W 10; min 120
10W lamp 2h ⇒ W 10; min 120
lamp 10W 2h daily ⇒ W 10; min 120; days 7
lamp 10W for 2 hours each evening ⇒ W 10; min 120
three lamps of 10W for 2h ⇒ q 3; W 10; min 120
lamps 10W ea x3 2h ⇒ q 3; W 10; min 120
6 spots 18W total 3h ⇒ q 6; W 3; min 180
strip 14W/m 2m 3h ⇒ W 28; min 180
pump on 5 min off 25 min 60W ⇒ W 60; min 240
pump 60W 5 min out of every 30 ⇒ W 60; min 240
fan 20W half the day ⇒ ?
fan 20W 12 of 24h ⇒ duty 50
fridge 45W 10 min per hour ⇒ duty 16.67
motor 200W start 3x 10 min ⇒ W 200; start 3; min 10
motor 200W peak 800W 10 min ⇒ W 200; start 4; min 10
compressor 12V 30A inrush 90A 5 min ⇒ W 360; start 3; min 5
pump 230V 400W LRA 12A ⇒ W 400; start 6.9
laptop 19V 3.4A 4h ⇒ W 64.6; path dc-dc
phone 5V 2A usb 2h ⇒ W 10; path dc-dc
tv 12/24V 30W 3h ⇒ W 30; path direct
fridge 12/24/240V 60W ⇒ ?second-figure
monitor 100-240V 40W 5h ⇒ W 40; path inverter-adapter
printer 600VA 400W ⇒ W 400
led 12V 0,35A 4h ⇒ W 4.2; min 240
heater 1,5kW 1,5h ⇒ W 1500; min 90
kettle 2.200 W ⇒ W 2200
gizmo 2.200 W ⇒ ?two-readings
pump 60W 4 h from 8 to 12 ⇒ W 60; min 240; at 8:00
tv 40W noon till 2 ⇒ W 40; min 120; at 12:00
lights 20W dusk to 11pm ⇒ W 20; min 240
oven 2kW 30 min at 7pm ⇒ W 2000; min 30; at 19:00
kettle 2kW 3 min at 7am, 1pm and 8pm ⇒ W 2000; n 3; min 9
mixer 300W 5 min as needed ⇒ ?unread-word
heating pad 40W low 3h ⇒ W 40; min 180
fan low 8W 6h high 25W 1h ⇒ phases 8x360, 25x60
dishwasher 60W 30 min then 1200W 20 min then 60W 20 min ⇒ phases 60x30, 1200x20, 60x20
brew 7 min then keep warm 50 min coffee maker ⇒ ?
coffee maker brew 7 min then keep warm 50 min ⇒ type coffee-filter; min 57
`;
