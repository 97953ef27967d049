import type { HourlyYear } from '@joulemetric/core';
import type { Database } from '../database.ts';

/** Keeps the hours in place of those before; false when there is no such job. */
export async function keepHours(db: Database, workspace: string, jobId: string, year: HourlyYear): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into job_weather (workspace_id, job_id, latitude, longitude, utc_offset_h, ghi_wh, temp_c)
     select workspace_id, id, $3, $4, $5, $6, $7 from job where workspace_id = $1 and id = $2
     on conflict (workspace_id, job_id) do update
       set latitude = excluded.latitude, longitude = excluded.longitude, utc_offset_h = excluded.utc_offset_h,
           ghi_wh = excluded.ghi_wh, temp_c = excluded.temp_c`,
    [workspace, jobId, year.latitudeDeg, year.longitudeDeg, year.utcOffsetH, year.ghiWh, year.tempC],
  );
  return rowCount === 1;
}

/** The hours as the JSON that they are sent as; null where none are kept. */
export async function readHours(db: Database, workspace: string, jobId: string): Promise<string | null> {
  const { rows } = await db.query<{ text: string }>(
    `select json_build_object('latitudeDeg', latitude, 'longitudeDeg', longitude, 'utcOffsetH', utc_offset_h,
                              'ghiWh', ghi_wh, 'tempC', temp_c)::text as text
       from job_weather where workspace_id = $1 and job_id = $2`,
    [workspace, jobId],
  );
  return rows[0]?.text ?? null;
}
