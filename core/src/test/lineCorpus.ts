/**
 * Typed lines and what each must be read as, written by hand before the reader saw them (12 V bus, 230 V mains):
 * line ⇒ what is expected, parts divided by ";".
 * type = id in the catalogue, "-" for none; W = watts while it runs; q = pieces; min = minutes a day; n = runs a day;
 * path; days = days a week; duty = share in %; C = W of heat moved; pf = W ÷ VA; V = lowest–highest volts; at = when its first use begins; start = starting ÷ running; wh = Wh a day of one piece.
 * "?code" = it is asked, for that reason (what follows is read all the same); "missing power" = it wants watts; "…/choice" = among the ways to put it.
 */
export const LINES = `
kettle ⇒ type kettle; W 1500; path inverter
inverter aircon 900W input 3h ⇒ type aircon-split; W 900; start 1.2
fixed-speed aircon 900W input 3h ⇒ type aircon-rooftop; W 900; start 4
window aircon 900W input 3h ⇒ type aircon-window; W 900; start 4
portable air conditioner 1000W input 3h ⇒ type aircon-portable; W 1000; start 4
2 laptops 38W 5h ⇒ type laptop; q 2; W 38; min 300; path inverter-adapter
two laptops 38W 5h ⇒ type laptop; q 2; W 38
laptop x2 38W ⇒ type laptop; q 2; W 38
5 x 4W lamp 3h ⇒ q 5; W 4; min 180
lamp x3 10W 2h ⇒ q 3; W 10; min 120
4 of LED lights 5W ⇒ type lights-led; q 4; W 5
pair of speakers 20W input ⇒ type speaker; q 2; W 20
3x phone ⇒ type phone; q 3
6 pcs reading light 3W 1h ⇒ type light-reading; q 6; W 3; min 60
pump 12V 3,5A 3x3min ⇒ W 42; min 9; n 3; path direct
pump 4A ⇒ W 48; path direct
winch 30A ⇒ type winch; W 360; path direct
winch 12V 300A 2min ⇒ type winch; W 3600; min 2; path direct
kettle 8A ⇒ type kettle; W 1840; path inverter
toaster 230V 4A ⇒ type toaster; W 920; path inverter
sauna 230V 8A ⇒ type -; W 1840; path inverter
autoclave 1.5kW ⇒ type -; W 1500; path inverter
autoclave 1,5 kW 20 min ⇒ W 1500; min 20; path inverter
gadget 60W ⇒ type -; W 60; path direct
gadget 12V 400W ⇒ W 400; path direct
mystery box 60W ⇒ type -; W 60
soldering iron 60W ⇒ type soldering-iron; W 60
iron ⇒ type iron; W 1200
iron 1200W 10min ⇒ type iron; W 1200; min 10
waffle iron 1000W ⇒ type waffle-iron; W 1000
fan 25W 8h ⇒ type fan-roof; W 25; min 480; path direct
fan 8W ⇒ type fan-desk; W 8
fan ⇒ path direct
fan heater 1500W 30min ⇒ type fan-heater; W 1500; min 30; path inverter
heater 230V 1500W 1h ⇒ type fan-heater; W 1500; path inverter
mains heater 1000W 1h ⇒ type fan-heater; W 1000; path inverter
diesel heater ⇒ type heater-diesel; path direct
heater 12V 25W 6h ⇒ type heater-diesel; path direct; W 25
toaster 900W weekdays ⇒ type toaster; W 900; days 5
toaster 900W on weekdays ⇒ type toaster; days 5
freezer 60W 35% duty ⇒ type freezer-small; W 60; duty 35
freezer in the garage 55W ⇒ type freezer-small; W 55
fridge light 2W 20 min ⇒ type light-reading; W 2; min 20
grandma's kettle 2kW ⇒ type kettle; W 2000
fridge 60W 6h ⇒ type fridge-medium; W 60; duty 25
fridge 45W 24/7 ⇒ type fridge-small; W 45
fridge 0.45 kWh/day ⇒ type fridge-small; W 42; duty 44.643
fridge 45W 450 Wh/day ⇒ W 45; duty 41.667
fridge 20Ah/day ⇒ type fridge-small; W 42; duty 23.810
fridge 45W 40 Ah per day ⇒ W 45; duty 44.444
fridge 164 kWh/year 60W ⇒ W 60; duty 31.202
fridge 50W 12 kWh/month ⇒ W 50; duty 32.877
fridge 50W 2.1 kWh/week ⇒ W 50; duty 25
router 8W ⇒ type router; W 8; wh 192
router 0.2 kWh per 24h ⇒ type router; W 8.3333
router 12V 1A 24/7 ⇒ type router; W 12; min 1440; path direct
alarm 1W all day ⇒ type alarm; W 1; min 1440
camera 5W around the clock ⇒ W 5; min 1440
lamp ⇒ type lights-led; path direct
lamp desk 60W 5h ⇒ type lamp-desk; W 60; path inverter
lamp 10W 1 hour 20 ⇒ W 10; min 80
lamp 10W 1h20 ⇒ min 80
lamp 10W 1 h 20 min ⇒ min 80
lamp 10W 1.5h ⇒ min 90
lamp 10W 1 1/2 h ⇒ min 90
lamp 10W ½ h ⇒ min 30
lamp 10W half an hour ⇒ min 30
lamp 10W quarter of an hour ⇒ min 15
lamp 10W three quarters of an hour ⇒ min 45
lamp 10W an hour ⇒ ?power-per-time/10 W
lamp 10 W one hour ⇒ min 60
lamp 10W 2 and a half hours ⇒ min 150
lamp 10W from 18 to 23:30 ⇒ min 330; n 1
lamp 10W 18:00-23:30 ⇒ min 330
lamp 10W 6pm to 11pm ⇒ min 300
lamp 10W from 22 to 6 ⇒ min 480
lamp 10W between 7 and 9 ⇒ min 120
heat mat 20W overnight ⇒ min 540
blanket 45W 8h overnight ⇒ min 480
blanket 45W 8 h at night ⇒ min 480; n 1
hair dryer 1500W 6 min twice a day ⇒ type hair-dryer; min 12; n 2
hair dryer 1500W 6 min once a day ⇒ min 6; n 1
kettle 4 min 3 times a day ⇒ type kettle; min 12; n 3
kettle 3 x 4 min ⇒ min 12; n 3
kettle 4 min x 3 ⇒ min 12; n 3
kettle 4min 3x/day ⇒ min 12; n 3
kettle 3x ⇒ q 3
washing machine twice a week ⇒ type washing-machine; days 2
washing machine 2kW 1h twice a week ⇒ type washing-machine; days 2; W 2000; min 60
washing machine 2 times per week ⇒ days 2
vacuum 700W 10 min once a week ⇒ type vacuum; days 1; min 10
vacuum 700W 10 min every other day ⇒ days 3.5
vacuum 700W 15 min every 3 days ⇒ days 2.3333
vacuum 700W 10 min 3 days a week ⇒ days 3
projector 120W 2h at weekends ⇒ type projector; days 2; min 120
projector 120W 2h weekends ⇒ days 2
projector 120W 2h on saturdays ⇒ days 1
projector 120W 2h once a month ⇒ days 0.2301
pump 50W 20 s every 10 min ⇒ W 50; min 48
pump 50W 5 min every hour ⇒ W 50; min 120
pump 50W 10 min per hour ⇒ min 240
fan 20W 5 min every 30 min 6 h ⇒ min 60
phone 15Wh ⇒ type phone; W 10; min 90
phone 15 Wh twice a day ⇒ min 180
laptop 50W 2h 100Wh ⇒ W 50; min 120
coffee machine 1.2kW 2x6min ⇒ W 1200; min 12; n 2
glue 80W 2h ⇒ W 80; min 120
microwave 800W ⇒ ?cooking-or-input/800W cooking
microwave 700W 5 min ⇒ ?cooking-or-input
microwave 800W cooking 5 min ⇒ W 1176.47; min 5; path inverter
microwave 800W output ⇒ W 1176.47
microwave 1200W input 5 min ⇒ W 1200; min 5
microwave 1200W input 800W output ⇒ W 1200
microwave ⇒ type microwave-700; W 1050
aircon ⇒ ?fixed-or-inverter/inverter aircon; type aircon-rooftop
aircon 2kW ⇒ ?cooling-or-input/2kW cooling
aircon 3400W cooling ⇒ ?fixed-or-inverter; C 3400
aircon 9000 btu ⇒ ?fixed-or-inverter; C 2637.639
aircon 13,500 btu/h ⇒ ?fixed-or-inverter; C 3956.4585
aircon 1200W input 2h ⇒ ?fixed-or-inverter; W 1200; min 120
air conditioner 12V 40A ⇒ W 480; path direct
amplifier 200W ⇒ ?sound-or-input
amplifier 200W output 2h ⇒ W 50; min 120
amplifier 80W input 2h ⇒ W 80
motor 1/3 hp ⇒ ?shaft-or-input
motor 1/2 hp shaft 230V ⇒ W 532.643; path inverter
saw 1.5 hp 230V 8A ⇒ ?shaft-or-input
-4 W lamp ⇒ ?negative
lamp -4W ⇒ ?negative/4W
lamp 2.400 W ⇒ W 2.4
kettle 2.400 W ⇒ W 2400
kettle 2,400 W ⇒ W 2400
kettle 2 400 W ⇒ W 2400
kettle 2400W ⇒ W 2400
boiler thing 2.400 W ⇒ ?two-readings/2400 W
thing 1,350W ⇒ ?two-readings
thing 1.350 kW 230V ⇒ W 1350
heater gadget 1.5e3 W ⇒ W 1500
lamp 3/4 h 10W ⇒ min 45; W 10
grinder ¾ hp ⇒ ?shaft-or-input
laptop 65W 19V ⇒ W 65; path dc-dc
laptop 20V 3.25A ⇒ W 65; path dc-dc
usb lamp 5V 1A ⇒ W 5; path dc-dc
access point 48V 0.5A ⇒ W 24; path dc-dc
radio 13.8V 2A ⇒ W 27.6; path direct
lamp 24V 20W ⇒ W 20; path dc-dc
lamp 12V 20W ⇒ W 20; path direct; V 10.5–15
lamp 12V 24V 20W ⇒ W 20; path direct; V 10.5–30
tv 230V 45W ⇒ type television; W 45; path inverter
tv 12V 25W ⇒ type television-12v; W 25; path direct
60W lamp 5A 12V ⇒ W 60; path direct
100W lamp 12V 5A ⇒ ?contradiction/100W lamp 12V
kettle 2000W 230V 4A ⇒ ?contradiction
kettle 230V 2000W 8.7A ⇒ W 2000
pump 230V 370W 2.2A ⇒ W 370; pf 0.7312
ups 600VA ⇒ W 600
pump 600VA 400W 230V ⇒ W 400; pf 0.6667
pump 600VA 700W 230V ⇒ ?contradiction
pump 600VA 60W 230V ⇒ ?contradiction
press 230V 500VA cos phi 0.8 ⇒ W 400; pf 0.8
drill 230V 50Hz 650W 5 min ⇒ type drill; W 650; min 5; path inverter
lamp 10W 20W ⇒ ?second-figure
lamp 10W 20Ah ⇒ ?second-figure
lamp 10W 3h 50% ⇒ ?second-figure
lamp 10W 3h then 5h ⇒ ?second-figure
pump 4A 15A ⇒ ?second-figure
lamp 10W 3h 5 times ⇒ min 900; n 5
lamp 10W 30h ⇒ ?over-a-day/24 h
6 lamps 10W 30h ⇒ ?over-a-day/5 h
lamp 10W 20 x 2h ⇒ ?over-a-day
lamp 30 ⇒ ?bare-number/30 W
kettle 1500 ⇒ ?bare-number/1500 W
lamp 10W 7 ⇒ ?bare-number
lamp 20-40W ⇒ ?range/20 W
laptop 38W to 65W ⇒ ?range
warmer 100W 70min 0.85kWh ⇒ ?energy-above-power/85 Wh
heater box 500W 2h 4kWh ⇒ ?energy-above-power
lamp 10W 5h 20Wh ⇒ ?energy-unlike-use
lamp 10W 5h 50Wh ⇒ W 10; min 300
lamp 5h 50Wh ⇒ W 10; min 300
gadget 240Wh/day ⇒ W 10; min 1440
gadget 100Wh ⇒ W 4.1667; min 1440
200 W per day fridge ⇒ ?power-per-time/200 Wh
fridge 0.5 kW/day ⇒ ?power-per-time
lamp 250 watts per hour ⇒ ?power-per-time
pump 5 A per hour ⇒ ?current-per-time
pump 5 A per day ⇒ ?current-per-time
fridge 2 kWh per hour ⇒ ?energy-per-hour
fridge 3 amp hours an hour ⇒ ?charge-per-hour
16A breaker ⇒ ?breaker
socket 10A ⇒ ?breaker
kettle 13A socket ⇒ ?breaker
10A outlet ⇒ ?breaker
20 A circuit for the galley ⇒ ?breaker
fuse 15A ⇒ ?breaker
MCB 6A lights ⇒ ?breaker
5 kW battery ⇒ ?battery/5 kWh
battery 5kW ⇒ ?battery
5kW of battery ⇒ ?battery
battery bank of 10 kW ⇒ ?battery
lithium battery 100Ah ⇒ ?battery
leisure battery 12V 100Ah ⇒ ?battery
battery monitor ⇒ type battery-monitor
battery charger 300W ⇒ ?whose-store/battery charger of this store
DC-DC charger 30A ⇒ ?whose-store
battery charger of something else 300W 2h ⇒ W 300; min 120
mains charger of this store 500W 230V ⇒ W 500; path inverter
drone battery charger 180W 90 min ⇒ type drone-charger; W 180; min 90
e-bike charger 150W 4h ⇒ type bike-charger; W 150
tool battery charger ⇒ type tool-charger
power bank 18W 2h ⇒ type power-bank; W 18
flux capacitor ⇒ missing power
monitor 24 inch 20W 8h ⇒ type monitor; W 20; min 480
fridge 80 l ⇒ type fridge-medium
compressor fridge 130 litres ⇒ type fridge-large
kettle 1.7 l 2200W ⇒ type kettle; W 2200
cpap 30W 8h ⇒ type cpap; W 30; min 480
cpap with humidifier 60W 8h ⇒ type cpap-humidifier; W 60
hob two rings 3kW ⇒ type hob-2; W 3000
induction hob 1800W 12 min ⇒ type hob-1; W 1800; min 12
water heater 800W ⇒ type boiler-electric; W 800
water pump 55W 3x3min ⇒ type water-pump; W 55; min 9; n 3
pump 60W peak 90W 10 min ⇒ W 60; min 10
compressor 12V 20A 10min ⇒ type compressor-air; W 240; min 10; path direct
satellite internet 75W 8h ⇒ type satellite-internet; min 480
dishwasher 0.8 kWh per wash ⇒ type dishwasher-small; wh 800
washing machine 70 kWh/100 cycles 2000W ⇒ type washing-machine; wh 700
tv 45 kWh/1000h ⇒ type television; W 45; min 150; wh 112.5
desk light 9W 4h ⇒ type lamp-desk; W 9; path inverter
lamp 0W ⇒ W 0
kettle 90kW ⇒ ?unfit
kettle 15kW ⇒ ?unlike-type
compressor fridge 230V 300W ⇒ type fridge-small; W 300
roof fan 2400W ⇒ ?unlike-type
light 600W ⇒ ?unlike-type
router 400W ⇒ ?unlike-type
fridge 3kW ⇒ ?unlike-type
heater 2.400 W ⇒ ?unlike-type
laptop 5kW ⇒ ?unlike-type
120 lamps 5W ⇒ ?bare-number
lampe 10 W 3 h ⇒ type lights-led; W 10; min 180
bouilloire 2000 W 230 V 5 min ⇒ W 2000; path inverter; min 5
Wasserkocher 2,2 kW 230V 4min ⇒ W 2200; path inverter; min 4
nevera 12V 45W ⇒ W 45; path direct
fridge 45W 12 °C ⇒ type fridge-small; W 45; path direct
fridge 45W at 4°C ⇒ type fridge-small; W 45
fridge 45W 40 °F ⇒ type fridge-small; W 45
freezer -18 °C 60W ⇒ type freezer-small; W 60
wine cooler 70W 12 degrees ⇒ type wine-cooler; W 70
water pump 20 l/min 60W ⇒ type water-pump; W 60; path direct
1.5 l kettle 1000W 4 min ⇒ type kettle; q 1; W 1000; min 4
80 cm fan 40W 3h ⇒ q 1; W 40; min 180
6 lamps of 3 watts each for four hours ⇒ q 6; W 3; min 240
lamp 10W for two hours ⇒ W 10; min 120
hair dryer 1.8 kilowatts three minutes ⇒ type hair-dryer; W 1800; min 3
toaster 900 watt two minutes twice a day ⇒ type toaster; W 900; min 4; n 2
pump 60W for thirty seconds five times a day ⇒ W 60; min 2.5; n 5
TV 24" 30W 3h ⇒ type television; W 30; min 180; path inverter
TV 24 inch 30W 3 hours a day ⇒ type television; W 30; min 180; path inverter
TV 32" 45W 2h ⇒ type television; W 45; min 120
sandwich maker 750W 6min ⇒ type sandwich-toaster; W 750; min 6; path inverter
water maker ⇒ type water-maker
marine water maker 60W ⇒ type water-maker; W 60
ice maker 120W 2h ⇒ type ice-maker; W 120; min 120
LED strip 14.4W/m 3m 4h ⇒ W 43.2; min 240; path direct
LED strip 5m of 9.6W/m 3h ⇒ W 48; min 180
LED strip 10 ft at 3 W/ft 2h ⇒ W 30; min 120
LED strip 4.8 W/m 4h ⇒ ?per-length
LED strip 5 m 72W 4h ⇒ W 72; min 240
heater cable 15 W per metre ⇒ ?per-length
speaker 20W RMS 2h ⇒ type speaker; W 5; min 120
soundbar 30W RMS 2h ⇒ type speaker; W 7.5; min 120
air con 3000 BTU 4h ⇒ ?fixed-or-inverter; type aircon-rooftop; W 314; min 240; path inverter
air con 12000 btu/h ⇒ ?fixed-or-inverter; C 3516.85
freezer 60W 150% duty ⇒ ?second-figure
freezer 60W 0% duty ⇒ ?second-figure
freezer 60W 100% duty ⇒ duty 100
fan .5A 12V ⇒ W 6; path direct
pump ,5A 12V ⇒ W 6
lamp .5W 24h ⇒ W 0.5; min 1440
fan 12V 500mA 8h ⇒ W 6; min 480
kettle one kilowatt 5 minutes ⇒ type kettle; W 1000; min 5
hob two kilowatts 20 min ⇒ W 2000; min 20
heater half a kilowatt 1h ⇒ W 500; min 60
iron a kilowatt 10min ⇒ type iron; W 1000; min 10
solar panel 200W ⇒ ?source
200W solar panel ⇒ ?source
2 solar panels 100W ⇒ ?source
folding solar blanket 120W ⇒ ?source
generator 2kW 3h ⇒ ?source
petrol generator 1kW ⇒ ?source
wind turbine 400W ⇒ ?source
alternator 100A ⇒ ?source
10 A site ⇒ ?source
two hundred watt heater 2 h ⇒ W 200; min 120
a hundred watt lamp 3h ⇒ W 100; min 180
pair of eighteen watt lights 4 h ⇒ W 18; q 2
site supply 16 A ⇒ ?source
store 500 Wh ⇒ ?battery
house bank 200 Ah ⇒ ?battery
inverter 2000W ⇒ ?source
pure sine inverter 1500W ⇒ ?source
inverter charger 3000VA ⇒ ?source
inverter 25W idle ⇒ W 25
solar controller 10mA ⇒ W 0.12
mppt charge controller 800W ⇒ ?source
fog generator 400W 10min ⇒ W 400; min 10
steam generator iron 2200W 10min ⇒ W 2200; min 10
lamp 5W 3h30m ⇒ W 5; min 210
lamp 5W 3h 30min ⇒ W 5; min 210
lamp 5W 3:30 ⇒ ?bare-number
lamp 5W evenings 4h ⇒ type lights-led; W 5; min 240
lamp 5W every night 4 hours ⇒ type lights-led; W 5; min 240
night light 2W 8h ⇒ W 2; min 480
Licht 12W 4 Std ⇒ W 12; min 240
Lampe 5W 3 Stunden ⇒ W 5; min 180
Wasserkocher 1500W 4 Minuten ⇒ W 1500; min 4; path inverter
lampe 10W 3 heures ⇒ W 10; min 180
nevera 50W 24 horas ⇒ W 50; min 1440
kettle 1200w@5min ⇒ type kettle; W 1200; min 5
Kettle - 1200W - 5min ⇒ type kettle; W 1200; min 5
fridge: 45W, 12V ⇒ type fridge-small; W 45; path direct
lights (12V) 20W 5h ⇒ W 20; min 300; path direct
hob 2,000W 20min ⇒ type hob-1; W 2000; min 20
toilet macerator 12V 15A 1min x 4 ⇒ type macerator; W 180; min 4; n 4
4 x 1 min macerator 180W ⇒ type macerator; W 180; min 4
slide-out 20A 2 min twice a week ⇒ W 240; min 2; days 2
leveling jacks 60A 3min weekly ⇒ type levelling-jacks; W 720; min 3; days 1
compressor fridge 50W 33% ⇒ W 50; duty 33
CPAP 2.5A @ 12V 8h ⇒ type cpap; W 30; min 480; path direct
CPAP machine 24V 3.75A 8h ⇒ type cpap; W 90; path dc-dc
microwave 1000W input 700W output 8 min ⇒ W 1000; min 8
microwave 700 watts output 10 min ⇒ W 1029.4; min 10
freezer 1.2 kWh / 24 hr ⇒ wh 1200
2 phones 15 Wh/day each ⇒ q 2; wh 15
laptop 0.3kWh/day ⇒ type laptop; wh 300
scooter 400Wh per day ⇒ wh 400
washing machine 0.9kWh per cycle twice a week ⇒ type washing-machine; days 2
furnace 8A 30% of 10h ⇒ ?second-figure
battery bank 400Ah ⇒ ?battery
shower pump 12V 4A 10 minutes ⇒ type shower-pump; W 48; min 10
stair lift 24V 10A 2min ⇒ W 240; min 2; path dc-dc
oxygen concentrator 120W 24h ⇒ type oxygen; W 120; min 1440
vacuum 600W 10 min on sundays ⇒ type vacuum; W 600; min 10; days 1
vacuum cleaner 600W 10min weekends ⇒ type vacuum; days 2
dashcam 5V 1.5A 8h ⇒ W 7.5; path dc-dc
GPS tracker 5V 200mA ⇒ W 1; path dc-dc
e-bike charger 36V 2A 4h ⇒ W 72; min 240
3D printer 250W 6h ⇒ type printer-3d; W 250; min 360
label printer 400W 1h ⇒ ?unlike-type
pump 1/2 hp 10min ⇒ ?shaft-or-input
coffee machine 1200W 3 x 4 min ⇒ W 1200; min 12; n 3
Ceiling lights (x6) 3W 5h ⇒ q 6; W 3; min 300
spots (x 4) 2W 3h ⇒ q 4; W 2
fan, roof, 12v, 25w, 8h/day ⇒ type fan-roof; W 25; min 480; path direct
3 fans 12V .8A ⇒ q 3; W 9.6; path direct
reading lights 2 off 1.5W 2h ⇒ type light-reading; q 2; W 1.5; min 120
USB sockets 2 x 18W 3h ⇒ q 2; W 18; min 180
phone chargers 4x 10W 2h ⇒ type phone; q 4; W 10; min 120
laptop charger 19.5V 4.62A 3h ⇒ W 90.09; min 180; path dc-dc
monitor 27" 35W 4h ⇒ type monitor; W 35; min 240
seat heater 5A 30 min ⇒ W 60; min 30; path direct
heater 12V 2A 8h ⇒ type heater-diesel; min 480
diesel heater 8h ⇒ type heater-diesel; min 480
12V kettle 150W ⇒ W 150; path direct
electric kettle 12v 120W 25min ⇒ type kettle-12v; W 120; min 25; path direct
coffee maker 12V 170W 10min ⇒ W 170; min 10; path direct
egg boiler 350W 10 min ⇒ type egg-boiler; W 350; min 10
immersion heater 1kW 1h ⇒ W 1000; path inverter
water heater 6L 1300W 40 min ⇒ W 1300; min 40; path inverter
medication cooler 45W ⇒ type medicine-fridge; W 45
water pump 10 GPM 7.5A 15min ⇒ type water-pump; W 90; min 15
tyre inflator 15A 10min ⇒ W 180; min 10
camera 2A 5V 3h ⇒ W 10; min 180; path dc-dc
PA system 500W rms 3h ⇒ type amplifier; W 125; min 180
amplifier 300W 2h ⇒ ?sound-or-input
stage lights 10 x 30W 3h ⇒ q 10; W 30; min 180
gas detector 150mA ⇒ W 1.8; path direct
infrared panel 300W 3h ⇒ type panel-heater; W 300; min 180; path inverter
iron 1000W 10 min weekly ⇒ type iron; days 1; min 10
microwave oven 230V 1150W input ⇒ W 1150; path inverter
hob 2 ring 2500W 20min ⇒ type hob-2; W 2500; min 20
breast pump 20W 20min 6 times a day ⇒ W 20; min 120; n 6
bottle warmer 300W 5min 4x/day ⇒ type -; W 300; min 20; n 4; path inverter
dialysis machine 1500W 4h 3x/week ⇒ W 1500; days 3; min 240; path inverter
hoist 24V 20A 2 min ⇒ W 480; min 2; path dc-dc
treadmill 1.5hp 30min ⇒ ?shaft-or-input
Router DC12V1A ⇒ type router; W 12; path direct
Router DC 12V1.5A ⇒ W 18; path direct
hub USB 5V3A ⇒ W 15; path dc-dc
cool box 12V4A 24h ⇒ W 48; min 1440; path direct
fan 12V500mA ⇒ W 6; path direct
heater 750/1250/2000W ⇒ ?second-figure
heater 750W/1250W/2000W ⇒ ?second-figure
fan 10/20/30 W 8h ⇒ ?second-figure
light bar 18W IPX4 3h ⇒ q 1; W 18; min 180
lamp 4W IPX5 2h ⇒ q 1; W 4
speaker 8 ohm 20W RMS ⇒ W 5
fridge compressor 60W on 1/3 of the time ⇒ W 60; duty 33.333
fridge 45W half the time ⇒ W 45; duty 50
fridge 1.1 A average ⇒ type fridge-small; W 42; wh 316.8
fridge avg 15W ⇒ wh 360
fridge 12V 45W max avg 15W ⇒ W 45; wh 360
fridge 230V 0.1A on average ⇒ wh 552; path inverter
router 12V 18W max 9W typical ⇒ type router; W 9; wh 216
cool box 48 W max., avg 0.9 A ⇒ type cool-box-thermo; W 10.8
cool box ⇒ path direct
coolbox 45W ⇒ W 45; path direct
laptop 90W max ⇒ type laptop; W 90
pump max 7.5A 10 min ⇒ type water-pump; W 90; min 10
starlight projector 5V/2A ⇒ W 10; path dc-dc
router 12V/1.5A ⇒ type router; W 18; path direct
nebuliser 100W 15 min 4x daily ⇒ type nebuliser; q 1; min 60; n 4
bow thruster 3kW 12V 30s 4x ⇒ q 1; W 3000; min 2; n 4
coffee 1450W 2 cups a day 3 min each ⇒ W 1450; min 6; n 2
drone 77 Wh battery, 3 charges a day ⇒ type drone-charger; wh 231
e-bike 500Wh battery 2x a week ⇒ type bike-charger; days 2; wh 500
washing machine 1 load per week 0.6 kWh ⇒ type washing-machine; days 1; wh 600
toilet macerator 180W 30 s 6 flushes a day ⇒ type macerator; min 3; n 6
car vacuum 120W 10 min a week ⇒ W 120; min 10; days 1
vacuum 700W 20 min per week ⇒ days 1; min 20
laptop 45W 40h/week ⇒ ?time-per-week/5.71 h
projector 120W 7 h a week ⇒ ?time-per-week/7 h once a week
laptop 45W 8h/d 5d/w ⇒ W 45; min 480; days 5
sewing machine 100W 2h Mon, Wed, Fri ⇒ type sewing-machine; days 3; min 120
sewing machine 100W 2h Mon/Wed/Fri ⇒ days 3
projector 150W Fri-Sun 2h ⇒ type projector; days 3
projector 150W Thu to Mon 2h ⇒ days 5
projector 150W Sat+Sun 2h ⇒ days 2
toaster 900W 4 min on Sun ⇒ type toaster; days 1
sat nav 10W 2h ⇒ W 10; days 7; min 120
sun lamp 20W 1h ⇒ W 20; days 7
bread maker 550W 3h every 2nd day ⇒ type bread-maker; W 550; days 3.5
vacuum 700W 10 min every third day ⇒ days 2.333
lamps (6) 4W 4h ⇒ q 6; W 4; min 240
lamps 4W 4h (six) ⇒ q 6; W 4
lamps: 6 @ 4W, 4h ⇒ q 6; W 4; min 240
half a dozen LED lights 2W 3h ⇒ type lights-led; q 6; W 2
a dozen lights 2W 3h ⇒ q 12; W 2
lamp 4w 4hrs x 6 ⇒ ?over-a-day
box 12 W fan 3h ⇒ q 1; W 12
fridge freezer combi box 12V 50W ⇒ q 1; W 50; path direct
tv 38kWh/1000 h ⇒ type television; W 38; min 150
freezer 1.2 kWh per 24 hrs 70W ⇒ W 70; wh 1200
freezer 0.7kWh/24h at 32°C ⇒ type freezer-small; wh 700
freezer ⇒ type freezer-small; path direct
hairdryer 1500W 5 min ⇒ type hair-dryer; W 1500; min 5; path inverter
hairdryer 1200/1800W ⇒ ?second-figure/1800 W
dish washer 1kW ⇒ type dishwasher-small; W 1000
airfryer 1400W 20min ⇒ type air-fryer; W 1400; min 20
aircon bedroom 900W 4h ⇒ ?cooling-or-input/900W input
aircon bedroom 900W input 4h ⇒ ?fixed-or-inverter; type aircon-rooftop; W 900; path inverter
freezer 1.2 kWh a day ⇒ type freezer-small; wh 1200; duty 38
fridge 20 kWh a day ⇒ ?energy-above-power
aircon 230V 3.5A running, 17A start, 4h ⇒ W 805; start 4.857; path inverter
aircon 900W LRA 30A ⇒ type aircon-rooftop; W 900
pump 5A inrush 20A 10 min ⇒ W 60; start 4; min 10
compressor 400W surge 1200W 10 min ⇒ W 400; start 3
induction hob 2kW at half power 20 min ⇒ ?second-figure
LED bulb 6W equivalent to 40W 3h ⇒ type lights-led; W 6; min 180
bulb 60W equivalent LED 3h ⇒ ?like-a-bulb/9 W
inverter idle 0.8A ⇒ type always-on; W 9.6; min 1440
camper heater fan 20W 6h ⇒ W 20; min 360
fan 12V 0.25-2.5A ⇒ ?range/0.25 A
lamp 12V AC/DC 9W 3h ⇒ W 9; path direct
compressor 2850 min-1 12V 20A 10min ⇒ W 240; min 10
lamp 5W 25000h 3h ⇒ W 5; min 180
amp 4x50W RMS 2h ⇒ type amplifier; q 4; W 12.5
LED downlights 10no. 2.4W each 5h ⇒ q 10; W 2.4; min 300
2no. fans 12V 0.5A 8h ⇒ q 2; W 6
USB charger twin 4.8A 2h ⇒ W 24; path dc-dc; min 120
laptop 65W 3-4h ⇒ ?range/4h
laptop 60W 4 to 5 hours ⇒ ?range/4 hours
tv 30W 2-3 hrs per night ⇒ ?range
lamp 5W 18-23h ⇒ W 5; min 300
microwave 1.1kW in / 700W out 10min ⇒ W 1100; min 10
lamp 60W in the evening 2h ⇒ W 60; min 120
air conditioning 12000BTU 1050W 5h ⇒ ?fixed-or-inverter; type aircon-rooftop; W 1050; min 300
A/C unit 13.5k BTU ⇒ ?fixed-or-inverter; type aircon-rooftop; C 3956.4585
BMS 30mA ⇒ type always-on; W 0.36; min 1440
leveling system 40A for 2 min ⇒ W 480; min 2; path direct
mystery 40A 2 min ⇒ type -; W 480; path direct
air compressor 45A 12V 15min per month ⇒ type compressor-air; W 540; min 15; days 0.2301
ebike 36V 13Ah battery ⇒ ?second-figure
drone batteries 3 x 60Wh per day ⇒ type drone-charger; q 3; wh 60
CPAP 0.9A without humidifier 8h ⇒ type cpap; W 10.8; path direct; min 480
cpap w/ humidifier 4A 8 hours a night ⇒ type cpap-humidifier; W 48; path direct; min 480
nebulizer 1x15 min ⇒ type nebuliser; W 100; min 15
washing machine 500W 1h x2/week ⇒ W 500; min 60; n 1; days 2
dishwasher .9kwh/cycle daily ⇒ type dishwasher-small; wh 900
sewing machine 85W 3 evenings a week 2h ⇒ days 3; min 120
game console 150W 3h fri sat sun ⇒ type games-console; days 3; min 180
disco lights 4x25W 4h sat ⇒ q 4; W 25; min 240; days 1
sat dish 25W 2h ⇒ W 25; days 7
pa speaker 2x 300W rms 4h saturdays ⇒ type speaker; q 2; W 75; days 1
espresso machine 3.6kW 30% duty 6h ⇒ ?second-figure
freezer 60W 30% 24h ⇒ duty 30
rice cooker 350W 25 min daily ⇒ type rice-cooker; W 350; min 25
lights 8x2W 5h/night ⇒ q 8; W 2; min 300
tv 40W 2h every evening ⇒ type television; W 40; min 120
gizmo 20W 3 weeks ⇒ ?unread-word
gizmo 20W average 3h ⇒ W 20; min 180
gizmo 20W 2h hourly ⇒ ?unread-word
gizmo 20xy 5W ⇒ ?bare-number
3D printer 100W 2h ⇒ W 100; min 120
4WD fridge 45W ⇒ type fridge-small; W 45
airco 900W input 3h ⇒ ?fixed-or-inverter; type aircon-rooftop; W 900
reading lamps x4, 2W, 1.5h each ⇒ type light-reading; q 4; W 2; min 90
fairy lights USB 0.5A 5h ⇒ W 2.5; path dc-dc; min 300
roof vent on low overnight 0.4A ⇒ type fan-roof; W 4.8; min 540
blanket 45W overnight 8h ⇒ W 45; min 480
Wi-Fi 10W always ⇒ type router; W 10; min 1440
gaming laptop 230W 3h 4 nights a week ⇒ type laptop-large; W 230; min 180; days 4
coffee 1450W 4 coffees a day 3 min each ⇒ min 12; n 4
air con 7000 BTU 700W 3h ⇒ ?fixed-or-inverter; W 700; path inverter; min 180
parking camera 3W 24/7 ⇒ W 3; min 1440; path direct
boiler 230V 660W 1 hr ⇒ W 660; path inverter; min 60
fridge 600Wh/24h @ 30C ⇒ type fridge-small; wh 600
freezer 50W -18C ⇒ type freezer-small; W 50; duty 38
light 5W from dusk to midnight ⇒ W 5; min 300
anchor light 2W dusk till dawn ⇒ W 2; min 660
light 5W until dusk ⇒ ?unread-word
gizmo 5W 2h x 3y ⇒ ?bare-number
fridge 12/24/230V 45W ⇒ ?second-figure/230 V
fridge 12/230V 45W ⇒ ?second-figure/230 V
cool box 12/24V 45W ⇒ q 1; W 45; path direct; V 10.5–30
solar charge controller 30A 12/24V ⇒ ?source
mppt controller 30A ⇒ ?source
Fridge 1 - 12V - 4.5 Amps - 24hrs - 33% duty ⇒ ?bare-number
Fridge - 12V - 4.5 Amps - 24hrs - 33% duty ⇒ W 54; duty 33; V 10.5–15
fridge 12V 50Hz 45W 33% duty ⇒ ?contradiction; duty 33
pump 2 h 1/4 hp ⇒ ?shaft-or-input; min 120
plonker 2 h 1/4 hp input ⇒ min 120; W 186.42
winch 5 min 1/2 hp input 12V ⇒ min 5; W 372.85; path direct
compressor 230V 50Hz 5A 15A start ⇒ W 1150; start 3; path inverter
plonker 2 h 12 lights 5W ⇒ ?bare-number; min 120
plonker 60W 2 h 20 each ⇒ min 140
pump 3x start 12V 60W ⇒ q 1; start 3; W 60
plonker 60 W 50Hz ⇒ W 60; path inverter
pump mains 50Hz 200 W ⇒ W 200; path inverter
pump mains 80VA ⇒ W 80; path inverter
plonker 0.5A 50Hz ⇒ W 115; path inverter
plonker 5A 80VA ⇒ ?second-figure
pump 12V mains 60W ⇒ ?contradiction
pump 12V or mains 60W ⇒ W 60
pump 50Hz 3x start 60 W ⇒ W 60; start 3; path inverter
pump 15A 50Hz start 60 W ⇒ ?second-figure
pump 80VA 230V 12V ⇒ ?second-figure
pump 80VA 24V 12V ⇒ W 80; path direct; V 10.5–30
dehumidifier 200W 6h damp days ⇒ ?unread-word
projector 300W 2 h movie nights ⇒ ?unread-word
shower pump 18W 4 min each, 2 people ⇒ ?unread-word
2 laptops and a monitor 60W 2h ⇒ ?second-figure
2 lamps and switches 10W 2h ⇒ q 2; W 10
hairdryer 1200 W 4 min daily, 2 people ⇒ ?unread-word
game console 150W 2h weeknights ⇒ days 5; min 120
toaster oven 1.4 kW 15 min breakfast only ⇒ min 15; at 7:53
milk frother 500W 2 min dinner ⇒ min 2; at 20:29
plonker 400W 1 min each hour ⇒ n 24; min 24; at 0:00
lamp 60W-equivalent LED 3h ⇒ ?like-a-bulb
reading lamp 9W (60 W-equivalent) 3h ⇒ W 9; min 180
stereo 4x50W 3h ⇒ ?sound-or-input
soundbar 30W input 2h ⇒ W 30
plonker 80VA 20W ⇒ ?contradiction
freezer 5A 50% of the time ⇒ type freezer-small; W 60; duty 50
kettle 240V 2400W (4 mins) x3 ⇒ q 1; min 12; n 3
kettle 1800W 5m ⇒ ?bare-number/5 min
iron 1000W 10m/wk ⇒ ?bare-number
LED strip 5m 24W 4h ⇒ type light-strip; W 24; min 240
kettle 1800W 3 min 4 m cable ⇒ W 1800; min 3
gas detector 80 mA cont. ⇒ type gas-alarm; W 0.96; min 1440
vac 12V 8A 6 mins/day ⇒ type vacuum-12v; W 96; min 6
tank monitor 0.02A ⇒ W 0.24; path direct
coffee 1.4kW: 3 cups, 1 min each ⇒ W 1400; min 3; n 3
coffee machine 12 cup 1000W 5 min ⇒ W 1000; min 5; n 1
washing machine 3 times a fortnight 0.8kWh ⇒ type washing-machine; days 1.5; wh 800
water pump 5A, 40 l a day, 10 l/min ⇒ type water-pump; W 60; min 4
pump 60W 15 gal/day at 3 gpm ⇒ W 60; min 5
fan 0.3A low/0.9A med/2A high ⇒ ?second-figure
server 120W 24x7 ⇒ q 1; W 120; min 1440
lamp 10W 1:30 h ⇒ W 10; min 90
lamp 10W 18:00-23:30 h ⇒ min 330
lamp 10W 90' ⇒ ?bare-number/90 min
macerator 15A 20 s 4 uses a day ⇒ type macerator; W 180; min 1.333; n 4
phones 3 @ 15Wh ⇒ type phone; q 3; wh 15
lamp 5W 3 @ 20 min ⇒ ?bare-number
pump 5A 40 l a day ⇒ type water-pump; W 60; min 9
pump 5A 40 l a day at 3 gpm ⇒ type water-pump; W 60; min 3.52
A/C 13.5kBTU ⇒ ?fixed-or-inverter; type aircon-rooftop; C 3956.4585
deep freezer 90 l 55W on 12 of 24 h ⇒ type freezer-small; q 1; W 55; duty 50
fridge 48W 8 hours out of 24 ⇒ q 1; W 48; duty 33.333
water pump 4A 5 minutes per person 3 persons ⇒ type water-pump; W 48; min 15; n 3
shower pump 2 people 60W 6 min/person ⇒ W 60; min 12; n 2
lights 6off 2.5W 4h ⇒ q 6; W 2.5
12 of 3W lamps 4h ⇒ q 12; W 3
fridge 45W 24 min per hour ⇒ type fridge-small; W 45; duty 40
fridge 45W on 15 min in every hour ⇒ type fridge-small; duty 25
freezer 60W runs 15 minutes out of every 60 ⇒ type freezer-small; W 60; duty 25
hob 2x1800W one at a time 30min ⇒ ?unread-word
lights 2 x 10W alternately 4h ⇒ ?unread-word
pump 60W morning and evening 10 min ⇒ W 60; min 20; n 2
immersion 1kW 45 min mornings and evenings ⇒ type boiler-electric; W 1000; min 90; n 2
kettle 2kW morning, noon and night 3 min ⇒ type kettle; min 9; n 3
milk frother 500W am & pm 2 min ⇒ type milk-frother; W 500; min 4; n 2
kettle 2kW breakfast and dinner 3 min ⇒ type kettle; min 6; n 2
router 10W day and night ⇒ type router; W 10; min 1440
aircon 820W input compressor 4h ⇒ ?fixed-or-inverter; W 820; min 240
fan 20W only in summer 8h ⇒ type fan-roof; W 20; min 480
heater 20W Nov to March 12h ⇒ ?unread-word
ice maker 110W 2h/day July-Aug ⇒ ?unread-word
heater pad 50W 6h below 0C ⇒ ?unread-word
lamp 5W 2h as needed ⇒ ?unread-word
toaster 900W 6 slices a day 2 min each ⇒ ?bare-number
kettle 2kW 4 boils a day 3 min ⇒ type kettle; W 2000; min 12; n 4
coffee 1400W 2 shots a day 40 s each ⇒ n 2; W 1400
freezer 214 kWh p.a. ⇒ type freezer-small; wh 586.3
fridge 120 kWh pa ⇒ type fridge-small; wh 328.77
tumble dryer 2.4 kWh 1x week ⇒ type tumble-dryer; q 1; days 1
washing machine 2x week ⇒ type washing-machine; q 1; days 2
lights 10W 6pm-midnight ⇒ W 10; min 360
tv 40W noon to 3 ⇒ W 40; min 180
tv 40W from noon till 2pm ⇒ W 40; min 120
lights dusk till 11pm 10W ⇒ W 10; min 240
tv 8 till midnight 40W ⇒ min 240; at 20:00
fridge 45W 30-40% duty ⇒ ?range
cpap 35W 8h ⇒ type cpap; W 35; min 480; at 22:30
electric blanket 60W 6h ⇒ type blanket; min 360; at 22:00
Wasserkocher 2000 W 3x täglich 4 min ⇒ type kettle; q 1; W 2000; min 12; n 3
kettle 2kW 2x/Tag 4 min ⇒ type kettle; min 8; n 2
Kühlschrank 0,5 kWh/Tag ⇒ type fridge-small; wh 500
frigo 0,6 kWh par jour ⇒ type fridge-small; wh 600
Licht 10W 4 Std pro Tag ⇒ W 10; min 240
bouilloire 1500W 5 min ⇒ type kettle; W 1500; min 5
nevera 12V 4A ⇒ type fridge-small; W 48
koelkast 45W ⇒ type fridge-small; W 45
sèche-cheveux 1200W 10 min ⇒ type hair-dryer; W 1200; min 10
pompe à eau 7A 10 min ⇒ type water-pump; W 84; min 10
Heizlüfter 1500W 30 min ⇒ type fan-heater; W 1500; path inverter
Waschmaschine 2kW ⇒ type washing-machine
electric toothbrushes (2) 1.2W charging 24h ⇒ type toothbrush; q 2; W 1.2
espresso 1350W 25 min daily ⇒ type coffee-espresso; W 1350; min 25
soup maker 1kW 21min 3/week ⇒ type soup-maker; min 21; days 3
heated towel rail 60W 2h a.m. ⇒ W 60; min 120; at 7:00
tv 40W 3h evenings ⇒ type television; min 180; at 19:00
aircon 800W input 3h afternoons ⇒ ?fixed-or-inverter; min 180; at 13:30
yoghurt maker 15W 8h nights ⇒ W 15; min 480; at 22:00
fishfinder 0.7A 6h when fishing ⇒ ?unread-word
pump 230V 0.55kW 3min every half hour ⇒ W 550; min 144; n 48
laminator 300W 1 hour monthly ⇒ W 300; min 60; days 0.23
stove 35W 5 min 10 h ⇒ ?second-figure
pump 12V 4A fuse 7.5A ⇒ ?breaker; W 48
pump 4A fuse 10A ⇒ ?breaker; W 48
Pumpe 12V 5A Sicherung 10A ⇒ ?breaker; W 60
lights 18W 18h00-22h30 ⇒ W 18; min 270
lights 18W from 1800 to 2230 ⇒ W 18; min 270
lights 12W 6.30pm - 10pm ⇒ W 12; min 210
pump 5W 2h30-3h ⇒ ?second-figure
security system 0.35A @12V const ⇒ W 4.2; min 1440
pi 5W 24-7 ⇒ W 5; min 1440
water level sensor 2mA ⇒ type -; W 0.024; min 1440
pressure washer 1.4kW 20min monthly ⇒ type pressure-washer; W 1400; min 20; days 0.23
dvd player 20w 2h ⇒ type dvd-player; W 20; min 120; path direct
soldering station 60W 2h ⇒ type soldering-iron; path inverter
kettle 2kW 3/day 4 min ⇒ type kettle; n 3; min 12
fridge 45W 30% duty 20 min per hour ⇒ ?second-figure; duty 30
vhf 13.8V 5A 1h ⇒ W 69; path direct
electric heater 1500W 1h ⇒ type fan-heater; W 1500; path inverter
bread maker 600W 4h cycle 0.36kWh weekly ⇒ type bread-maker; W 600; wh 360; days 1
washing machine 2000W 2h 0.6kWh ⇒ type washing-machine; W 2000; wh 600
ventilator bipap 30W 8h ⇒ type bipap; W 30; min 480; at 22:30
charging station 100W 3h ⇒ type -; W 100; min 180
usb fan 5V 1A 6 hours a night ⇒ W 5; min 360; at 23:00
tv 12V 30W 2 hrs a night ⇒ type television-12v; min 120
4G router 12v .8a except nights ⇒ ?unread-word
diesel heater 100W 8h 200Wh ⇒ ?energy-unlike-use
microondas 1000 W input 5 min ⇒ W 1000; min 5; path inverter; pf 0.9
lavavajillas 2000 W ⇒ type dishwasher-small
fer à repasser 1200W 10 min ⇒ type iron; W 1200; min 10
pompe à eau 5A 3 min ⇒ type water-pump; W 60
welder 3.5kVA ⇒ W 3500; path inverter
gizmo 1.2kVA pf 0.8 ⇒ W 960; path inverter; pf 0.8
gizmo 40VA ⇒ W 40; path inverter
gizmo 40W ⇒ W 40; path direct
rooftop AC 1400W input 3h ⇒ type aircon-rooftop; W 1400; path inverter
roof ac 1500W input 3h ⇒ type aircon-rooftop; W 1500
iron 1200W fri, sat and sun 10 min ⇒ type iron; days 3; min 10
gaming console 160W 2h fri+sat+sun ⇒ type games-console; days 3; min 120
tv 40W 3h sat and sun ⇒ type television; days 2; min 180
printer 30W 10 min sat+sun ⇒ days 2; min 10
drill charger 18V 6A 1h M-F ⇒ days 5; min 60
lamp 5W 3h Mo-Fr ⇒ days 5; min 180
lamp 5W 3h mon thru fri ⇒ days 5; min 180
lamp 5W 3h Fr–Su ⇒ days 3; min 180
vacuum 600W 10 min x2 pw ⇒ type vacuum; days 2; min 10
vacuum 600W 20 min p/w ⇒ type vacuum; days 1; min 20
coffee machine 1450W 45s per cup, 6 cups ⇒ W 1450; n 6; min 4.5
coffee machine 6 cups 1450W 45s per cup ⇒ W 1450; n 6; min 4.5
coffee maker 8 cups 1.4kW 0.1kWh per use ⇒ W 1400; wh 100
coffee machine 6 cup 900W 10 min ⇒ W 900; n 1; min 10
shower pump 40W 4 min per shower, 3 showers ⇒ type shower-pump; n 3; min 12
washing machine 0.5kWh per cycle, 2 cycles a week ⇒ type washing-machine; wh 500; days 2
nebuliser 60W 15min tid ⇒ type nebuliser; n 3; min 45
nebuliser 60W 15min b.i.d. ⇒ type nebuliser; n 2; min 30
device PID controller 5W ⇒ W 5; n 1
hairdryer 1.2kW 5min morning + evening ⇒ type hair-dryer; n 2; min 10; at 7:58
kettle 2kW 3 min breakfast, lunch and dinner ⇒ type kettle; n 3; min 9; at 7:59
bread maker 550W 3h20 cycle 0.4kWh ⇒ type bread-maker; W 550; wh 400; min 200
dishwasher 1.2kW 2h 0.7kWh ⇒ type dishwasher-small; wh 700; min 120
water heater 10L 600W 1x heating per day ⇒ type boiler-electric; W 600; path inverter
boiler 6 L 220V 800W 40 min ⇒ type boiler-small; W 800; min 40; path inverter
boiler 12V 5W ⇒ type boiler-gas; W 5; path direct
immersion heater 12V 300W midday only 2h ⇒ type boiler-electric; W 300; min 120; at 12:00; path direct
fridge 12v ~ 45W ⇒ type fridge-small; W 45; path direct
fridge 12v ~ 0.75 kWh/24h ⇒ path direct; wh 750
fridge ~ 45W ⇒ type fridge-small; W 45; path direct
lamp 230 V ~ 50 Hz 40 W ⇒ W 40; path inverter
head unit 12V avg 15W 4h driving ⇒ type -; W 15; min 240; path direct
extractor hood 12V 25W while cooking 45min ⇒ type extractor-hood; W 25; min 45
fridge 12V 130W while driving 3h ⇒ type fridge-absorption-12v; W 130; min 180
incubator 45W 50 % cycling ⇒ W 45; duty 50; wh 540
toastie maker 0.7kW 5 min am ⇒ type sandwich-toaster; W 700; min 5; at 7:58; path inverter
tyre inflator 120W 5min pm ⇒ W 120; min 5; at 14:58
air purifier 30W cont ⇒ type air-purifier; W 30; min 1440
ventola 12V 0,3A tutta la notte ⇒ W 3.6; min 540; path direct
Lüfter 12V 0,3A die ganze Nacht ⇒ W 3.6; min 540; path direct
ventilateur 12V 0,3A toute la nuit ⇒ W 3.6; min 540
Heizung Gebläse 12V 25W 8 Std pro Nacht ⇒ W 25; min 480
moka pot electric 365W 6min, 3 cups ⇒ type coffee-filter; W 365; min 6
infusion pump 10W 24h medical ⇒ type infusion-pump; W 10; min 1440
baby monitor 5V 0.6A 12h ⇒ type baby-monitor; W 3; min 720; path dc-dc
humidifier 25W 10hr ⇒ type humidifier; W 25; min 600
cpap with humidifier 60W 8h ⇒ type cpap-humidifier; W 60; min 480
M-F cable 5W 3h ⇒ W 5; days 7
drill charger 18V 6A M-F, 1h ⇒ days 5; min 60
bread maker 550W 1h cycle 0.5kWh ⇒ type bread-maker; W 550; min 60; wh 500
nebuliser 60W 15min qid ⇒ type nebuliser; n 4; min 60
vent 20W 8h morning and afternoon ⇒ W 20; n 2; min 960
compressor for tyres 12v 45A 10 min every 2 weeks ⇒ W 540; min 10; days 0.5; path direct
generator starter 12V 100A 5s every second week ⇒ W 1200; days 0.5
drill charger 90W 1h on work days ⇒ W 90; min 60; days 5
kettle 2kW 4 min school days ⇒ type kettle; W 2000; min 4; days 5
mitre saw 1500W 5 min per day, start 4x ⇒ q 1; W 1500; start 4; min 5
compressor 800W surge x3 20 min ⇒ q 1; W 800; start 3; min 20
pump 60W start 3x daily 5 min ⇒ q 1; n 3; min 15
pump 60W starts 4x a day 2 min ⇒ q 1; n 4; start 2.5
fridge 60W 6x inrush ⇒ q 1; W 60; start 6
motor 300W 20 min starting current 5x ⇒ q 1; W 300; start 5; min 20
air con 2.0kW cooling 24V 30A 5h ⇒ W 720; min 300; path dc-dc
dashcam 5V 1.5A while driving ⇒ ?unread-word
dashcam 5V 1.5A while driving 3h ⇒ type dashcam; W 7.5; min 180
dehumidifier 200W 6h rainy days ⇒ ?unread-word
slide-out 12V 20A 30 secs x 2 per stop ⇒ ?unread-word
levelling jacks 12V 60A 2 min every travel day ⇒ ?unread-word
grinder 150W 10s per coffee x3 ⇒ q 1; n 3
robot vacuum dock 28W 2h/day ⇒ type vacuum-robot; W 28; min 120; path inverter
cordless vacuum 25W 3h ⇒ type vacuum-cordless; W 25; path inverter
vacuum 700W 10 min ⇒ type vacuum; W 700
diesel heater 12V 25W 8h ⇒ type heater-diesel; W 25; min 480
ordinateur portable 60W 4 heures ⇒ type laptop; W 60; min 240
water pump 12V 6A 40 l used at 10 l/min ⇒ type water-pump; W 72; min 4
2 coffees every morning 1200W 5 min each ⇒ type coffee-filter; W 1200; n 2; min 10
shower pump 4 showers 3 min 60W ⇒ type shower-pump; W 60; n 4; min 12
CPAP 30W w/o humidifier 8 h ⇒ type cpap; W 30; min 480
oven 2kW 45min at 6pm ⇒ W 2000; min 45; at 18:00
air fryer 1500 W 20 mins every second day at 6.30pm ⇒ W 1500; min 20; days 3.5; at 18:30
induction hob 1800W 20 min breakfast 40 min dinner ⇒ W 1800; n 2; min 60; wh 1800
heated towel rail 80W timer 2h am 2h pm ⇒ W 80; n 2; min 240; wh 320
6 downlights 18W total 4 hrs ⇒ q 6; W 3; min 240
6 downlights 3W each 18W total 4 hrs ⇒ q 6; W 3; min 240
6 lights 12V 3A total 2 h ⇒ q 6; W 6; min 120
4 lamps total 20 W 3h ⇒ q 4; W 5; min 180
wifi router 9W overnight off ⇒ type router; W 9; min 900; at 7:00
kettle 3x a day 300Wh/day ⇒ type kettle; n 3; wh 300
microwave input 1200W 0.2 kWh/day 4x a day ⇒ n 4; wh 200
bread maker 0.36 kWh per loaf, 2 loaves a week ⇒ type bread-maker; wh 360; days 2
pump 60W 20 s every 10 min from 8 to 20 ⇒ W 60; min 24; wh 24; at 8:00
pump 60W 10 min per hour 8am to 6pm ⇒ W 60; n 10; min 100
fan 10W 15 min every hour overnight ⇒ W 10; n 9; min 135; at 22:00
oxygen concentrator 120W continuous at night ⇒ type oxygen; W 120; min 540; at 22:00
hydration pump 4W 15 mins per hour daytime ⇒ W 4; n 14; min 210; at 7:00
egg incubator 40W constant ⇒ type -; W 40; min 1440
starter battery maintainer 2A ⇒ ?whose-store/battery maintainer of something else
massage gun 16W 10 min ⇒ type massage-gun; W 16; min 10
tyre inflator 12V 15A 10 min once a fortnight ⇒ type compressor-air; W 180; min 10; days 0.5
split charge relay 100A ⇒ ?source
battery isolator 12V 140A ⇒ ?source
shunt 500A ⇒ ?source
fridge compressor 1/10 hp ⇒ ?shaft-or-input
fridge 45W from 8 to 18 300 Wh/day ⇒ W 45; duty 66.67; min 600; wh 300
fridge 45W 2 h 300 Wh/day ⇒ ?energy-unlike-use
fridge 300 Wh/day 50% ⇒ W 25; duty 50; wh 300
fridge 45W 8h compressor time 360 Wh a day ⇒ W 45; duty 33.33; wh 360
fridge 45W 10 min every hour from 8 to 18 ⇒ W 45; duty 16.67; min 600; wh 75
plonker 60W from 8 to 18 300 Wh/day ⇒ ?energy-unlike-use
fridge 2 h 20 Ah/day ⇒ W 120; duty 8.33; wh 240
washing machine 0.8kWh 2 h ⇒ type washing-machine; W 2000; min 120; wh 800
dishwasher 1h 40 0.9 kWh per cycle ⇒ type dishwasher-small; W 1100; min 100; wh 900
2 laptops 65W 3 h total ⇒ ?unread-word/1.5 h
kettle 2kW 5 mins total per day 2x a day ⇒ W 2000; n 2; min 5
2 bay battery charger camera 15W 2h ⇒ type camera-charger; q 1; W 15; min 120
microwave 1000W (draws 1500W) 6 min ⇒ W 1500; min 6
100W bulb equivalent LED 14W 5h ⇒ type lights-led; W 14; min 300
CPAP 8 hours per night at 12V 2.5A ⇒ type cpap; W 30; min 480; at 22:30
usb lamp 3W 2h ⇒ W 3; path dc-dc; min 120
kettle draws 1800w for 3 minutes, 5 times/day ⇒ W 1800; n 5; min 15
fridge 45W 2 h from 8 to 18 ⇒ W 45; duty 20; min 600; wh 90
fridge 45W 50 Wh per use ⇒ ?energy-unlike-use
pump 60W 3 h 10 min every hour from 8 to 18 ⇒ ?energy-unlike-use
heater 1kW 2 h total at 7am and 5pm ⇒ n 2; min 120
heater 1kW 300 Wh/day 9 min at 7am and 5pm ⇒ n 2; min 18; wh 300
washing machine 1 h at 7am and 2 h at 6pm ⇒ ?second-figure
fan 15 min every hour at night 45 Wh/day ⇒ W 20; n 9; min 135; wh 45
fan 20 W 15 min every hour at night 45 Wh/day ⇒ W 20; min 135; wh 45
hair straightener 45W 10 min m/w/f ⇒ W 45; min 10; days 3
pump 5A 3 min tu/th ⇒ W 60; min 3; days 2
ebike charger 2A 42V 4h alternate days ⇒ W 84; min 240; days 3.5
vacuum 0.4kW quarter hour every second day ⇒ W 400; min 15; days 3.5
vacuum 400W three quarter hour sat ⇒ W 400; min 45; days 1
router 12V 1A on 0600-2300 ⇒ W 12; min 1020; at 6:00
router 12V 1A 0600-2300 ⇒ W 12; min 1020; at 6:00
dehumidifier 250W 40% of the time overnight winter ⇒ type dehumidifier; W 250; duty 40; min 540
awning lights 8W 3h summer evenings ⇒ W 8; min 180
tool chargers 65W each, two of them, 1h a day ⇒ q 2; W 65; min 60
TV 40W 2h in the lounge ⇒ type television; W 40; min 120
lamp 5W 2h (by the map) ⇒ W 5; min 120
my laptop 45W maybe 4 hours ⇒ type laptop; W 45; min 240
electric blanket 60W 1h before bed ⇒ W 60; min 60
slow cooker low 120W 8h ⇒ type slow-cooker; W 120; min 480
lights in the back 12W about three hours most nights ⇒ ?unread-word
fridge runs 35W nearly all the time ⇒ ?unread-word
gps 6W 10 hours on passage ⇒ ?unread-rest
tablets for kids 2x10W 2h car trips ⇒ ?unread-rest
wife's hairdryer 1200W 8 min after showers ⇒ ?unread-rest
induction plate 2000W low setting 20 min lunch 40 min dinner ⇒ ?unread-rest
kettle 900W 6 min, three brews ⇒ W 900; n 3; min 18
blower 60W 1.5 hrs in the shoulder season ⇒ ?unread-rest
awning motor 8A 40 s in and out ⇒ ?unread-word
heated jacket 30W charging 3h before riding ⇒ ?unread-rest
Fan,15W,6h ⇒ W 15; min 360
Kettle: 1500 W, 4 min, 3x ⇒ type kettle; W 1500; n 3; min 12
freezer 12V,4A 40% duty ⇒ W 48; duty 40
laptop 19V,3.42A,4h ⇒ type laptop; W 64.98; path dc-dc; min 240
TV 40W 18:00-22:00. kitchen ⇒ type television; W 40; min 240; at 18:00
lamp 5W, on 19:00-23:00, winter ⇒ W 5; min 240; at 19:00
pump 2,5 A,3 min ⇒ W 30; min 3
gizmo 45 W 2 h every other day in winter ⇒ W 45; min 120; days 3.5
charging station 100W all evening ⇒ W 100; min 300; at 17:00
radio 8W all morning ⇒ W 8; min 300; at 6:00
jigsaw 500W 15min once in a while ⇒ ?unread-word
drill 600W 5 min now and then ⇒ ?unread-word
hot water pot 800W every now and again 10 min ⇒ ?unread-word
security camera 5 W round the clock, x2 ⇒ q 2; W 5; min 1440; n 1
router 9W 24h, 3x ⇒ type router; q 3; W 9; min 1440
camera 5W 2x 24h ⇒ q 2; W 5; min 1440
pump 60W 24 h x 3 ⇒ q 3; W 60; min 1440; n 1
tv 2 x 12h 30W ⇒ ?over-a-day
`;
