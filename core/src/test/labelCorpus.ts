/**
 * Nameplates in many styles, all written for this test: text ⇒ watts, supply, and what else stands on it.
 * "-" means that the label does not say. Watts by hand: output volts × amps of an adapter, watts as written,
 * volts × amps otherwise (lowest volts of a mains range), cooking ÷ 0.68 for microwaves, VA × power factor.
 * Extras: d = Wh/day, c = Wh/cycle, pf = power factor, q = a question is asked.
 */
export const LABELS = `
INPUT: 100-240V~ 50/60Hz 1.5A OUTPUT: 19V⎓ 3.42A ⇒ 64.98 | adapter 19
Input 100-240 V AC, 50-60 Hz, 0.6 A; Output 5 V DC, 3 A ⇒ 15 | adapter 5
INPUT 100–240V~ 0,35A OUTPUT 12V⎓ 1,5A ⇒ 18 | adapter 12
I/P: 230V~; OUTPUT: 24V DC 2.5A ⇒ 60 | adapter 24
Input:AC100-240V 50/60Hz 1.8A Output:DC20V 4.5A ⇒ 90 | adapter 20
PRI: 230V~ 50Hz 18W SEC: 9V⎓ 1000mA ⇒ 9 | adapter 9
Eingang 100-240V~ 1,2A Ausgang 15V⎓ 4A ⇒ 60 | adapter 15
Entrée: 220-240 V ~ 50 Hz Sortie: 12 V ⎓ 500 mA ⇒ 6 | adapter 12
INPUT 100V-240V~ 2.0A OUTPUT 19.5V⎓6.15A ⇒ 119.925 | adapter 19.5
Adapter input 120 VAC 60 Hz 30 W output 13.5 VDC 1.5 A ⇒ 20.25 | adapter 13.5
AC IN 110-240V 0.8A DC OUT 16.8V 2A ⇒ 33.6 | adapter 16.8
INPUT: 200-240VAC 3A OUTPUT: 54.6VDC 4A ⇒ 218.4 | adapter 54.6
Input 100-240V~ Output 5.0V⎓2.4A 12.0W ⇒ 12 | adapter 5
INPUT:100-240V~50/60Hz 0.5A OUTPUT:5V⎓2A ⇒ 10 | adapter 5
Input: 100 – 240 V ~ 1.6 A. Output: 20 V ⎓ 3.25 A, 65 W ⇒ 65 | adapter 20
AC 220-240V 50Hz 1850-2200W ⇒ 2200 | mains 240
220-240V~ 50/60Hz 2000W ⇒ 2000 | mains 240
230 V~ 50 Hz 900 W ⇒ 900 | mains 230
230V AC 1200 W ⇒ 1200 | mains 230
120V~ 60Hz 1500W ⇒ 1500 | mains 120
120 V 60 Hz 12.5 A ⇒ 1500 | mains 120
AC 115V 60Hz 8A ⇒ 920 | mains 115
220–240 V ∿ 50 Hz 750 W ⇒ 750 | mains 240
240V 10A 50Hz ⇒ 2400 | mains 240
230V~ 0,4A 50Hz ⇒ 92 | mains 230
Rated voltage: 230 V~; rated power: 1,5 kW ⇒ 1500 | mains 230
RATED POWER 2.4KW 220-240V~ ⇒ 2400 | mains 240
1 kW 230 V a.c. ⇒ 1000 | mains 230
100-240V~ 50/60Hz 0.9A ⇒ 90 | mains 240
100-240 VAC 47-63 Hz 1.2 A max ⇒ 120 | mains 240
AC230V/50Hz 60W ⇒ 60 | mains 230
Power consumption 45 W, 230 V~ ⇒ 45 | mains 230
220V-240V~ 50Hz 1.350W ⇒ 1.35 | mains 240 | q
220V-240V~ 50Hz 1,350W ⇒ 1350 | mains 240 | q
MAINS 230V~ 25VA ⇒ 25 | mains 230
230V~ 600VA cos φ 0,8 ⇒ 480 | mains 230 | pf 0.8
120V 400 VA PF 0.75 ⇒ 300 | mains 120 | pf 0.75
230V 1.2 kVA power factor 0.9 ⇒ 1080 | mains 230 | pf 0.9
5 kVA cos φ 0,8 ⇒ 4000 | - | pf 0.8
230V~ 80W 100VA ⇒ 80 | mains 230 | pf 0.8
230V 370W cosφ 0.72 ⇒ 370 | mains 230 | pf 0.72
motor 0.5 HP 230V~ ⇒ 532.643 | mains 230 | q
1/2 hp pump: 0.5 hp 120 V~ ⇒ 532.643 | mains 120 | q
12V DC 45W ⇒ 45 | dc 12
DC 12V 5A ⇒ 60 | dc 12
12 V ⎓ 3,5 A ⇒ 42 | dc 12
12V⎓ 10A ⇒ 120 | dc 12
24VDC 2.5A ⇒ 60 | dc 24
24 V d.c. 90 W ⇒ 90 | dc 24
12/24V DC 48W ⇒ 48 | dc 24
12/24V⎓ 5A ⇒ 120 | dc 24
DC12V/24V 60W ⇒ 60 | dc 24
12-24 V DC, 3 A ⇒ 72 | dc 24
10-30 VDC 0.5A ⇒ 15 | dc 30
12.8V 6A DC ⇒ 76.8 | dc 12.8
13,8 V DC 20 A ⇒ 276 | dc 13.8
12VDC, 250mA ⇒ 3 | dc 12
12V 800 mA ⇒ 9.6 | dc 12
5V⎓ 2A ⇒ 10 | dc 5
5 V DC 500mA ⇒ 2.5 | dc 5
DC 5V/1A ⇒ 5 | dc 5
9V⎓ 0.6A ⇒ 5.4 | dc 9
19V⎓ 6.32A ⇒ 120.08 | dc 19
48V DC 3A ⇒ 144 | dc 48
Rated: 12V; 55W ⇒ 55 | dc 12
Nominal voltage 24 V, current 4.2 A ⇒ 100.8 | dc 24
12 volts 4 amps ⇒ 48 | dc 12
120 watts at 12 volts ⇒ 120 | dc 12
12V, max. 15 A ⇒ 180 | dc 12
DC 12 V, 1.5 W ⇒ 1.5 | dc 12
12V 0.02A ⇒ 0.24 | dc 12
LED 12V DC 0.35A 4.2W ⇒ 4.2 | dc 12
700 W cooking power microwave ⇒ 1029.41 | -
Microwave 230V~ 50Hz. Microwave output 800 W ⇒ 1176.47 | mains 230
Microwave: input 1150 W, output power 700 W, 230 V~ ⇒ 1150 | mains 230
Microwave oven 230V 50Hz input 1270W microwave output 800W ⇒ 1270 | mains 230
Microwave 120V 60Hz 1050 W input; cooking power 700 W ⇒ 1050 | mains 120
Microwave RF output 900W 120V~ ⇒ 1323.53 | mains 120
900 W microwave output, 230 V~ ⇒ 1323.53 | mains 230
8000 BTU/h 115V 60Hz 7.2A ⇒ 828 | mains 115
Cooling 13500 BTU/h, 1450 W, 120 V ⇒ 1450 | mains 120
Cooling capacity 5000 Btu per hour 230V~ 480W ⇒ 480 | mains 230
2.6kW 9000BTU 220-240V~ ⇒ 2600 | mains 240
153 kWh/annum ⇒ - | - | d 419.178
Energy consumption 120 kWh/year 230V~ 70W ⇒ 70 | mains 230 | d 328.767
Energy 0,45 kWh/24h 12/24V DC ⇒ - | dc 24 | d 450
0.6 kWh/24 h, 45 W, 12 V DC ⇒ 45 | dc 12 | d 600
350 Wh/day 12V⎓ ⇒ - | dc 12 | d 350
Consumption 365 kWh per year 220-240V~ 0.8A ⇒ 176 | mains 240 | d 1000
0.8 kWh per day ⇒ - | - | d 800
E: 0.5 kWh per 24 hours, 100 W, 230 V ⇒ 100 | mains 230 | d 500
205 kWh/yr 230 V~ 120 W ⇒ 120 | mains 230 | d 561.644
219 kWh/a 230V ⇒ - | mains 230 | d 600
0,72 kWh/cycle 230V~ 2100W ⇒ 2100 | mains 230 | c 720
Wash 0.49 kWh per cycle, 2000 W, 230 V~ ⇒ 2000 | mains 230 | c 490
850 Wh per wash 230V~ 1900W ⇒ 1900 | mains 230 | c 850
95 Wh/use 1200W 120V~ ⇒ 1200 | mains 120 | c 95
INPUT 230V~ 50Hz 2.2kW ⇒ 2200 | mains 230
INPUT: 12V⎓ 8A ⇒ 96 | dc 12
INPUT DC 24V 150W ⇒ 150 | dc 24
Input voltage 12 V DC, input current 6,5 A ⇒ 78 | dc 12
SUPPLY 12V DC MAX 9A ⇒ 108 | dc 12
Model K-17 230V~ 50Hz 2200W IPX4 ⇒ 2200 | mains 230
TYPE FX3 SER.NO. 004417 230V~ 1000W ⇒ 1000 | mains 230
Class II 230V~ 40W ⇒ 40 | mains 230
kettle 230V~ 2000W ⇒ 2000 | mains 230
Travel kettle 12V DC 150W ⇒ 150 | dc 12
Coffee machine: 220-240V~ 50-60Hz 1260W ⇒ 1260 | mains 240
Toaster 220–240 V, 50–60 Hz, 815–970 W ⇒ 970 | mains 240
Hair dryer 1800-2100W 220-240V~ ⇒ 2100 | mains 240
Iron 2000 - 2400 W / 220 - 240 V~ ⇒ 2400 | mains 240
Hob 230V~ 3500W max ⇒ 3500 | mains 230
Induction 1800 W 120 V 15 A 60 Hz ⇒ 1800 | mains 120
Fan 12V⎓ 0.8A 9.6W ⇒ 9.6 | dc 12
Roof fan DC 12V 4.5A ⇒ 54 | dc 12
Water pump 12V DC 7A max ⇒ 84 | dc 12
Macerator 12V d.c. 16 A ⇒ 192 | dc 12
Heater 12V: 10 - 40 W ⇒ 40 | dc 12
Router 12V⎓1A ⇒ 12 | dc 12
Monitor input 19V⎓ 1.3A ⇒ 24.7 | dc 19
TV: AC100-240V 50/60Hz 48W; DC12V 3A ⇒ - | mains 230 | q
Laptop adapter: Input 100-240V~1.7A Output 20V⎓3.25A ⇒ 65 | adapter 20
Charger INPUT:220-240V~50Hz 70W OUTPUT:18V⎓3A ⇒ 54 | adapter 18
Drone charger input 100-240V~ output 17.6V 10A ⇒ 176 | adapter 17.6
E-bike charger: AC 100–240 V 2.5 A max / output 42 V DC 2 A ⇒ 84 | adapter 42
Tool charger in 230V~ 50Hz 85W, out 20V⎓ 3A ⇒ 60 | adapter 20
CPAP input 24V⎓ 3.75A ⇒ 90 | dc 24
Oxygen concentrator 230V~ 50Hz 350W ⇒ 350 | mains 230
Vacuum cleaner 220-240V~ 50-60Hz 800W max ⇒ 800 | mains 240
Drill 230V~ 650W 2.9A ⇒ 650 | mains 230
Compressor 12V DC, max 23A ⇒ 276 | dc 12
Winch 12V 2,4 kW ⇒ 2400 | dc 12
Amplifier 230V~ 120W ⇒ 120 | mains 230
Sound desk 100–240V~ 50–60Hz 45W ⇒ 45 | mains 240
LED strip 24V DC 14,4W ⇒ 14.4 | dc 24
Camera 5V⎓1.5A ⇒ 7.5 | dc 5
Radio 13.8V DC 5A ⇒ 69 | dc 13.8
Alarm 12V DC 0,03A ⇒ 0.36 | dc 12
Fridge 12/24V⎓ 4.5/2.5A 45W ⇒ 45 | dc 24
Freezer 100-240V~ 60W 12/24V⎓ ⇒ 60 | mains 240
Cool box 12V⎓ 48W 230V~ 55W ⇒ 48 | dc 12
Dehumidifier 230V~ 50Hz 205W 1.0A ⇒ 205 | mains 230
Ice maker 120V~ 60Hz 1.5A ⇒ 180 | mains 120
Printer 100-240V~ 50/60Hz 0.25A ⇒ 25 | mains 240
Electric blanket 220-240V~ 100W ⇒ 100 | mains 240
Aquarium pump 230V~ 50Hz 5W ⇒ 5 | mains 230
UV steriliser 12V⎓ 16W ⇒ 16 | dc 12
Two-way radio 12VDC 8A Tx ⇒ 96 | dc 12
Glue pot 230V~ 80W ⇒ 80 | mains 230
Sewing machine 230V~ 50Hz 70W 0.3A ⇒ 70 | mains 230
Air purifier 220-240V~ 50/60Hz 33 W ⇒ 33 | mains 240
Games console 100-240V~ 50/60Hz 2.0A ⇒ 200 | mains 240
Projector 100-240V~ 50/60Hz 3.3A ⇒ 330 | mains 240
Satellite dish terminal 100-240V~ 6.3A max ⇒ 630 | mains 240
Satellite link DC 12-48V 60W ⇒ 60 | dc 48
1500W ⇒ 1500 | -
0.85 kW ⇒ 850 | -
230V~ 16 A breaker ⇒ - | mains 230 | q
Kettle 2000W, 10 A fuse ⇒ 2000 | -
12V 5A 600W ⇒ 600 | dc 12 | q
230V 0.5A 2000W ⇒ 2000 | mains 230 | q
Heater 230V 50Hz 750/1250/2000W ⇒ 750 | mains 230 | q
Fan heater 220-240V~ 50Hz 1000 / 1500 / 2000 W ⇒ 1000 | mains 240 | q
Towel radiator 230V~ 300W IPX4 ⇒ 300 | mains 230
Router DC12V1A 50Hz ⇒ 12 | dc 12 | q
Fridge 12/24V DC 4.5/2.3A R600a 35g ⇒ 54 | dc 24
Compressor fridge DC 12/24V 60W AC 100-240V 0.9A ⇒ 60 | dc 24
Microwave oven 230V~50Hz Input 1150W Output 700W ⇒ 1150 | mains 230
Laptop adapter I/P AC 100-240V 1.7A O/P 20V 3.25A ⇒ 65 | adapter 20
Air conditioner 230V 50Hz Cooling 2.4kW Input 0.78kW 3.5A R32 ⇒ 780 | mains 230 | q
Washing machine 230V 50Hz 2050W 10A 0.6kWh/cycle ⇒ 2050 | mains 230 | c 600
Fridge 230V 50Hz 70W 0.45kWh/24h ⇒ 70 | mains 230 | d 450
Dishwasher 220-240V 50Hz 1760-2100W ⇒ 2100 | mains 240
Refrigerator 115V 60Hz 1.4A Annual energy use 280 kWh ⇒ 161 | mains 115 | d 767.12
Kühlschrank 230V~ 90W Jahresverbrauch 219 kWh ⇒ 90 | mains 230 | d 600
Cooler 12V DC 45W 50Hz Daily energy consumption 0.4 kWh ⇒ 45 | dc 12 | d 400 | q
Washer 230V~ 2000W energy per cycle 0.72 kWh ⇒ 2000 | mains 230 | c 720
Air conditioner 230V~ Cooling capacity 2.05 kW Power input 0.78 kW ⇒ 780 | mains 230 | q
Beer cooler 230V~ Cooling power input 180W ⇒ 180 | mains 230
Cool box 12V DC cooling 45W heating 40W 50Hz ⇒ - | dc 12 | q
Television 230V~ 45W Standby <0.5W ⇒ 45 | mains 230
Receiver 230V~ 25W Standby: 4W ⇒ 25 | mains 230 | q
`;

/** What no label should be, or what tries to break the reader: it must neither throw nor invent watts. */
export const HOSTILE = [
  '',
  ' ',
  '\n\n\n',
  '~~~~~~~~',
  'INPUT OUTPUT INPUT OUTPUT',
  'V A W Hz',
  '----',
  'IP67 IPX4 CE',
  'MODEL 230 SERIAL 12',
  'Made in 2019, lot 44',
  'S/N 00A12V9W7',
  'K2500W1',
  'W1200',
  '1.2.3.4.5 V',
  '1,2,3,4 W',
  '..5W..',
  'NaN V Infinity A',
  '١٢ فولت',
  '十二 V',
  '🔌⚡🔋',
  'null undefined',
  '<script>alert(1)</script>',
  "'; drop table job; --",
  '\u0000\u0001\u0002',
  '\ud800\udfff\ud83d',
  'V'.repeat(500),
  '-'.repeat(500),
  '(((((((((((((((((((',
  'a-b-c-d-e-f-g',
  'AC/DC',
  '50/60Hz',
  '50Hz',
  '230V~',
  '12V DC',
  'INPUT 100-240V~',
  '3 A',
  '7 Ah 12V',
  '2200 mAh',
  'cos φ 0.8',
  'cos φ 8',
  'power factor',
  '16A breaker',
  'fuse: 10 A',
  'RCBO 20A',
  'kWh per year',
] as const;
