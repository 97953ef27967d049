/** Area of an AWG number, mm²: d = 0.127 mm · 92^((36 − n)/39), ASTM B258. 1/0 is 0, 2/0 is −1 and so on. */
export const awgAreaMm2 = (n: number): number => (Math.PI / 4) * (0.127 * 92 ** ((36 - n) / 39)) ** 2;

/** The thinnest that is read. */
export const THINNEST_AWG = 24;

/** The AWG number of "10", "0", "2/0" or "00", the last two −1; null where there is no such size. */
export function gaugeNumber(text: string): number | null {
  if (/^0{2,4}$/.test(text)) return 1 - text.length;
  const aught = /^([1-4])\/0$/.exec(text);
  if (aught) return 1 - Number(aught[1]);
  return /^\d{1,2}$/.test(text) && Number(text) <= THINNEST_AWG ? Number(text) : null;
}
