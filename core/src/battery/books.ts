/** Energy books, Wh: sources + what the store gave = useful + every loss. What goes unserved stands beside them. */
export interface Books {
  sunOfferedWh: number;
  sunWh: number;
  drivingWh: number;
  supplyWh: number;
  /** Of the sun, what went straight to what ran. */
  directSunWh: number;
  /** Wh at the terminals into the store and out of it. */
  intoStoreWh: number;
  outOfStoreWh: number;
  usefulWh: number;
  conversionWh: number;
  idleWh: number;
  cableWh: number;
  storageWh: number;
  /** What the appliances would have used. */
  unservedWh: number;
  /** Sun that was not taken while the store was too cold to be charged. */
  lockedWh: number;
}

export const noBooks = (): Books => ({
  sunOfferedWh: 0,
  sunWh: 0,
  drivingWh: 0,
  supplyWh: 0,
  directSunWh: 0,
  intoStoreWh: 0,
  outOfStoreWh: 0,
  usefulWh: 0,
  conversionWh: 0,
  idleWh: 0,
  cableWh: 0,
  storageWh: 0,
  unservedWh: 0,
  lockedWh: 0,
});

export const addBooks = (to: Books, from: Books): void => {
  for (const key of Object.keys(to) as (keyof Books)[]) to[key] += from[key];
};

/** Sources + what the store gave = useful + conversion + idle + storage, to 1e-6 of what was moved. */
export function assertBalanced(books: Books, fromStoreWh: number): void {
  const income = books.sunWh + books.drivingWh + books.supplyWh;
  const spent = books.usefulWh + books.conversionWh + books.idleWh + books.cableWh + books.storageWh;
  const moved = income + spent + Math.abs(fromStoreWh);
  const off = income + fromStoreWh - spent;
  if (!(Math.abs(off) <= 1e-6 * Math.max(1, moved))) throw new Error(`the books are ${off} Wh out of balance`);
}
