import type { Database } from '../database.ts';

export interface FoundPlace {
  readonly id: number;
  readonly name: string;
  /** ISO 3166-1 alpha-2. */
  readonly country: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly population: number;
}

const MOST = 12;
/** Letters from which names that only resemble are looked for too. */
const RESEMBLES_FROM = 4;

/**
 * Places whose names begin so, the largest first; then those that resemble what was written. Accents and capitals do
 * not matter.
 */
export async function findPlaces(db: Database, text: string): Promise<FoundPlace[]> {
  const { rows } = await db.query(
    `with asked as (select lower(unaccent($1)) as plain),
     begins as (
       select place.*, 1 as rank, 1::real as likeness
       from place, asked
       where place.plain like replace(replace(replace(asked.plain, '\\', '\\\\'), '%', '\\%'), '_', '\\_') || '%'
       order by population desc limit ${MOST}
     ),
     resembles as (
       select place.*, 2 as rank, similarity(place.plain, asked.plain) as likeness
       from place, asked
       where length(asked.plain) >= ${RESEMBLES_FROM} and place.plain % asked.plain
       order by likeness desc, population desc limit ${MOST}
     )
     select distinct on (id) id, name, country, latitude as "latitudeDeg", longitude as "longitudeDeg", population,
       rank, likeness
     from (select * from begins union all select * from resembles) as found
     order by id, rank`,
    [text],
  );
  return rows
    .sort((a, b) => a.rank - b.rank || b.likeness - a.likeness || b.population - a.population || a.id - b.id)
    .slice(0, MOST)
    .map(({ rank: _rank, likeness: _likeness, ...place }) => place);
}
