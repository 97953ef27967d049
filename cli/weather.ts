/** `npm run -s weather -- FILE`: reads an hourly weather file (EPW, TMY3 CSV, PVGIS CSV) and prints its months as JSON, or its faults. */
import { asJson, oneFile } from './command.ts';
import { weatherIn } from './readWeather.ts';

const USAGE = 'usage: npm run -s weather -- FILE';

export async function run(args: readonly string[]): Promise<string> {
  const { days, hourly: _, ...summary } = await weatherIn(oneFile(args, USAGE));
  return asJson({ ...summary, daysOfYear: days?.sunHours.length ?? null });
}
