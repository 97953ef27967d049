/** Weather files written from the published definitions of their columns, with made-up weather, for tests and benchmarks. */

const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;

interface Hour {
  readonly month: number;
  readonly day: number;
  readonly hour: number;
}

/** Made up: sun from 6 to 18 h, brighter to the month's end and in its later months; °C by the hour. */
export const madeUp = {
  ghi: ({ month, day, hour }: Hour): number => (hour >= 6 && hour < 18 ? 10 * month + 5 * day : 0),
  temp: ({ month, hour }: Hour): number => (hour === 14 ? month + 10 : hour === 4 ? month - 5 : month),
};

export function eachHour(): Hour[] {
  return MONTH_DAYS.flatMap((days, m) =>
    Array.from({ length: days * 24 }, (_, i) => ({ month: m + 1, day: Math.floor(i / 24) + 1, hour: i % 24 })),
  );
}

const two = (n: number): string => String(n).padStart(2, '0');

export function epwLines(): string[] {
  return [
    'LOCATION,Madeup Field,Nowhere,NWL,Made-up,000000,47.50,-8.25,-1.0,350.0',
    'DESIGN CONDITIONS,0',
    'TYPICAL/EXTREME PERIODS,0',
    'GROUND TEMPERATURES,0',
    'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
    'COMMENTS 1,made up',
    'COMMENTS 2,made up',
    'DATA PERIODS,1,1,Data,Sunday, 1/ 1,12/31',
    ...eachHour().map((at) => {
      const { month, day, hour } = at;
      const before = `1999,${month},${day},${hour + 1},60,?9?9?9,${madeUp.temp(at).toFixed(1)},1.0,80,101300`;
      return `${before},0,0,300,${madeUp.ghi(at)},0,0,0,0,0,0,180,3.0,5,5,20.0,77777,9,999999999,100,0.1,0,88,0.2,0.0,1.0`;
    }),
  ];
}

export function tmy3Lines(): string[] {
  return [
    '000000,"MADEUP FIELD, NEW",NW,-1.0,47.500,-8.250,350',
    'Date (MM/DD/YYYY),Time (HH:MM),ETR (W/m^2),ETRN (W/m^2),GHI (W/m^2),GHI source,GHI uncert (%),DNI (W/m^2),Dry-bulb (C),Dry-bulb source',
    ...eachHour().map(
      (at) =>
        `${two(at.month)}/${two(at.day)}/1998,${two(at.hour + 1)}:00,0,0,${madeUp.ghi(at)},1,8,0,${madeUp.temp(at).toFixed(1)},A`,
    ),
  ];
}

/** @param columns "G(i)" of a series, its parts, or "G(h)" of a typical year */
export function pvgisLines(columns: 'whole' | 'parts' | 'typical', longitudeDeg = 0): string[] {
  const head = [
    'Latitude (decimal degrees):\t47.500',
    `Longitude (decimal degrees):\t${longitudeDeg.toFixed(3)}`,
    'Elevation (m):\t350',
  ];
  const shift = Math.round(longitudeDeg / 15) * 3_600_000;
  const names = {
    whole: 'time,G(i),H_sun,T2m,WS10m,Int',
    parts: 'time,Gb(i),Gd(i),Gr(i),H_sun,T2m,WS10m,Int',
    typical: 'time(UTC),T2m,RH,G(h),Gb(n),Gd(h),IR(h),WS10m,WD10m,SP',
  };
  const rows = eachHour().map((at) => {
    const utc = new Date(Date.UTC(2019, at.month - 1, at.day, at.hour) - shift);
    const minute = columns === 'typical' ? '00' : '10';
    const time = `${utc.getUTCFullYear()}${two(utc.getUTCMonth() + 1)}${two(utc.getUTCDate())}:${two(utc.getUTCHours())}${minute}`;
    const [ghi, temp] = [madeUp.ghi(at), madeUp.temp(at).toFixed(2)];
    if (columns === 'typical') return `${time},${temp},80.0,${ghi},0.0,0.0,300.0,2.0,180.0,97000.0`;
    if (columns === 'parts')
      return `${time},${(ghi * 0.5).toFixed(3)},${(ghi * 0.5).toFixed(3)},0.0,0.0,${temp},2.0,0.0`;
    return `${time},${ghi.toFixed(2)},0.0,${temp},2.0,0.0`;
  });
  const slope =
    columns === 'typical' ? [] : ['Radiation database:\tMade up', '', '', 'Slope: 0 deg.', 'Azimuth: 0 deg.'];
  return [...head, ...slope, '', names[columns], ...rows, '', 'G(i): Global irradiance (W/m2)', 'made up'];
}
