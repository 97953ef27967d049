/** Plates as they are pasted, with what each says, written by hand before the rules that read them; " / " stands for a new line. */
export const FRESH_PLATES = `
Kettle / 220-240V~ 50/60Hz / 1850-2200W ⇒ type kettle; W 2200; path inverter
Laptop adapter / INPUT: 100-240V~1.5A 50-60Hz / OUTPUT: 20V⎓3.25A 65W ⇒ W 65; path inverter-adapter
Compressor fridge / 12V⎓ 4.2A / 24V⎓ 2.1A / 100-240V~ 0.8A / R134a 38g ⇒ W 50.4; path direct
Refrigerator / Model QX-80 / DC 12/24V / Rated power 48W / Refrigerant R600a 25g / Climate class T ⇒ W 48; path direct
Chest freezer / 220-240V~ 50Hz 0.7A / Rated input power 75W / R600a 42 g / Energy consumption 168 kWh/year ⇒ W 75; wh 460.3; path inverter
Microwave oven / 230V~ 50Hz / Rated input power 1200W / Rated output power 800W / 2450MHz ⇒ W 1200; path inverter
Microwave / 120V 60Hz / INPUT 1050W / OUTPUT 700W / 2450 MHz ⇒ W 1050
Air conditioner / 230V~ 50Hz / Cooling capacity 3.5kW / Cooling power input 1.09kW / Heating capacity 3.8 kW / Heating power input 1.02 kW / Refrigerant R32 0.7kg ⇒ ?fixed-or-inverter; W 1090; C 3500
Rooftop AC / 115V 60Hz / Compressor RLA 11.2 LRA 58 / Fan FLA 2.1 / BTU/h 13500 / R-410A ⇒ ?second-figure
Water pump / 12V DC / Current 7A max / Pressure 35 PSI / Flow 11 L/min ⇒ W 84; path direct
Diesel heater / 12V / 15-29W / Heat output 0.9-2.0kW / Fuel 0.11-0.24 L/h ⇒ W 29; type heater-diesel
LED driver / Input 12-24V DC / Output 350mA 10W ⇒ ?
Battery charger 12V / AC IN 230V 2.5A / DC OUT 14.4V 25A ⇒ ?whose-store
Pure sine inverter / DC INPUT 12V 100A / AC OUTPUT 230V 50Hz 1000W / PEAK 2000W ⇒ step inverter
Solar module / Pmax 175W / Vmp 18.6V / Imp 9.41A / Voc 22.4V / Isc 9.98A / NOCT 45°C / Max system voltage 600V ⇒ step solar
Photovoltaic panel / Maximum Power (Pmax) 410 W / Voltage at Pmax (Vmp) 31.4 V / Current at Pmax (Imp) 13.06 A / Open-circuit voltage (Voc) 37.3 V / Short-circuit current (Isc) 13.9 A / Temperature coefficient of Pmax -0.34 %/°C ⇒ step solar
MPPT solar charge controller / Rated charge current 40A / Max PV voltage 100V / System voltage 12/24V ⇒ step controller
LiFePO4 battery / 12.8V 200Ah / 2560Wh / Max continuous discharge 100A / Max charge current 100A / Charge voltage 14.4V ⇒ step battery
Deep cycle AGM / 12V 105Ah (C20) / CCA 680 ⇒ step battery
DC-DC battery charger / Input 12V 36A / Output 14.4V 30A ⇒ ?whose-store
Generator / Rated output 1.8 kVA / Max 2.0 kVA / 230V 50Hz / 121cc ⇒ step generator
Vacuum cleaner / 220-240V~ 50/60Hz / 750W nom / 850W max ⇒ W 750
Hair dryer / 230V 50Hz 1600-1900W ⇒ W 1900; type hair-dryer
Toaster / 120V~ 60Hz 850W ⇒ W 850; type toaster
Coffee maker / AC 120V 60Hz 8A ⇒ W 960
Induction cooktop / 220-240V~ 50Hz / 2000W / Class II ⇒ W 2000
Slow cooker / 120V~ 60Hz 240W ⇒ W 240; type slow-cooker
Induktionskochplatte / 220-240V~ / 50-60Hz / Leistung 1800W ⇒ W 1800
Kühlschrank / Nennspannung 12V/24V DC / Nennstrom 4,0A/2,0A / Klimaklasse ST ⇒ W 48
Bouilloire / 220-240 V ~ 50/60 Hz / Puissance 1000 W ⇒ W 1000; type kettle
Frigo / Tension 12/24 V CC / Puissance 45 W ⇒ W 45
Hervidor / 230V~ 50Hz 2000W ⇒ W 2000
Monitor / 19V⎓1.58A / 30W ⇒ W 30; path dc-dc
Television / DC 12V 3A / AC adapter: 100-240V~ 1.2A ⇒ W 36; path direct
Phone charger / Input: 100-240V~ 0.5A / Output: 5V⎓3A, 9V⎓2.22A, 12V⎓1.67A ⇒ ?several-outputs
Router / Power: 12V⎓1.5A ⇒ W 18; path direct
Washing machine / 220-240V~ 50Hz / 2000W / 10A / Capacity 3kg / 0.36 kWh/cycle ⇒ W 2000; wh 360
Tumble dryer / 230V 50Hz 2350W 10A ⇒ W 2350
Angle grinder / 230V~ 50Hz 850W / n 11000 min-1 / disc 125mm ⇒ W 850; type grinder
Circular saw / 120V~ 60Hz 15A / 5500 RPM ⇒ W 1800; type saw
Drill / 230V~ 710W / P2 380W ⇒ W 710; type drill
Air compressor / 230V 50Hz / 1.5HP / 1100W / 8 bar / 2850 rpm ⇒ ?shaft-or-input
Submersible pump / 24V DC / Max current 4A / 8 m head ⇒ W 96; path dc-dc
Roof fan / 12VDC / LOW 0.5A / HIGH 2.6A ⇒ ?
CPAP / 24V⎓3.33A / 80W ⇒ W 80; path dc-dc
CPAP power supply / INPUT 100-240V~ 50-60Hz 1.0A / OUTPUT 24V⎓3.33A ⇒ W 79.92; path inverter-adapter
Oxygen concentrator / AC 100-240V 50/60Hz 1.2A max / DC 12-16V 8A max / 120W ⇒ ?
Water heater / 230V 50Hz / 700W / 8 L / 0.35 kWh/24h ⇒ W 700; wh 350
Gas boiler / 12V⎓ 2.6A max / Gas 30 mbar 2.4kW ⇒ W 31.2; path direct
Electric blanket / 220-240V~ 50Hz 60W ⇒ W 60; type blanket-mains
Fan heater / 220-240V~ 50Hz / 1000W/2000W ⇒ ?second-figure
Sound bar / AC 100-240V 50/60Hz 40W / Total output 120W RMS ⇒ W 40
Amplifier / 230V~ 50Hz / Power consumption 180W / Output 2 x 100W ⇒ W 180
Games console / 100-240V~ 2.3A 50/60Hz / Max 210W ⇒ W 210
Projector / 100-240V~ 50/60Hz 1.4-0.6A ⇒ W 140
Desktop PC / 115-230V~ 6-3A 47-63Hz ⇒ W 690
E-bike charger / INPUT AC 100-240V 50/60Hz 1.8A / OUTPUT DC 42V 2A ⇒ W 84
Drone charger / Input 100-240V 1.5A / Output 26.4V 3.8A 100W ⇒ W 100
Tool battery charger / 230V~ 50Hz 120W / 18V⎓ 4A ⇒ W 72; path inverter-adapter
Camera charger / INPUT AC100-240V 0.2A / OUTPUT DC8.4V 0.8A ⇒ W 6.72
Winch / 12V DC / 5.5HP / 9500 lb ⇒ ?
Macerator / 12V DC / 14A / Fuse 20A ⇒ W 168
Electric step / 12V / 3A / Peak 12A ⇒ W 36; start 4
Dehumidifier / 220-240V~ 50Hz / 220W / 1.1A / 10L/day / R290 45g ⇒ W 220
Ice maker / 115V 60Hz / 1.2A / 26 lbs/24h / R600a ⇒ W 138
Bread maker / 220-240V~ 50/60Hz 550W ⇒ W 550; type bread-maker
Iron / 230V 2200W IPX3 ⇒ W 2200; type iron
Sewing machine / 230V~ 50Hz / Motor 70W / Lamp 15W / Total 85W ⇒ ?
Coffee machine / 220-240V~ 50/60Hz 1235-1470W / 15 bar ⇒ W 1470
Egg cooker / 230V 350W ⇒ W 350
Portable power station / Capacity 512Wh / AC output 600W (surge 1200W) / AC input 400W max / Solar input 12-28V 200W / USB-C 100W ⇒ step station
Power station / 1024Wh 51.2V / AC OUT 230V 1800W / AC IN 1500W / PV IN 11-60V 500W 15A / CAR IN 12V 8A / USB-C 100W x2 / USB-A 12W x4 ⇒ step station
Satellite terminal / 100-240V~ 50-60Hz 2.5A / Average 75-100W ⇒ W 100
Satellite terminal / DC 12-48V 60W max ⇒ W 60
Access point / PoE 48V 0.32A ⇒ W 15.36; path dc-dc
LED strip / 12V 9.6W/m / 5m ⇒ W 48
LED light / 10-30V DC / 18W / 1600 lm / IP67 ⇒ W 18; path direct
Radio / 13.8V DC / Tx 6A / Rx 0.4A ⇒ ?
Inverter fridge / 220-240V~ 50Hz / 0.9A / 120W / Annual consumption 210 kWh ⇒ W 120; wh 575.3
Heat pump dryer / 230V 50Hz 800W / R290 ⇒ W 800
Wine cooler / 220V 50Hz 70W / 0.4kWh/24h ⇒ W 70; wh 400
Cool box / DC 12V 46W / AC 220-240V 50W / Cooling max 18°C below ambient ⇒ W 46
Underfloor mat / 230V / 150 W/m² / 1.5 m² ⇒ ?
Towel rail / 230V~ 50Hz 60W IPX5 ⇒ W 60
Nebuliser / 230V~ 50Hz 0.7A / 160VA ⇒ W 160
Security camera / DC 12V±10% 500mA / PoE 802.3af / 6W ⇒ W 6
Fish finder / 10.8-17.3V DC / 1.2A at 12V ⇒ W 14.4
VHF radio / Supply 13.8V / Current 5.5A (Tx high) 0.25A standby ⇒ ?
Alarm / 12V⎓ / Quiescent 8mA / Max 150mA ⇒ W 0.096
Hydraulic jacks / 12V 75A / intermittent duty ⇒ W 900
Blender / 120V 60Hz 6A / 700W / 2 min on 1 min off ⇒ W 700
Infrared heater / 230V 50Hz 400W ⇒ W 400
Pressure washer / 220-240V~ 50Hz 1400W / 105 bar ⇒ W 1400
Heat gun / 230V 1600W / 50-600°C ⇒ W 1600
3D printer / 100-120V / 200-240V 50/60Hz 350W ⇒ W 350; path inverter
Aquarium heater / 220-240V 50W ⇒ W 50
Soldering iron / 100-240V~ 60W ⇒ W 60
Air fryer / 1500W 220-240V~ 50Hz 4.2L ⇒ W 1500
Scooter charger / Input 100-240V 2A / Output 42V⎓1.7A / 71W ⇒ W 71
Wheelchair charger / AC 230V 1.2A / DC 24V 8A ⇒ W 192; path inverter-adapter
Sump pump / 230V~ 50Hz / P1 250W / Hmax 6m / Qmax 7000 l/h ⇒ W 250
`;
