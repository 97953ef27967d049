import type { StoreModel } from '../battery/fill.ts';

/** 1,000 Wh that lose something on each way and take less from 80 % on. */
export const aStoreModel: StoreModel = {
  fullWh: 1000,
  selfWhPerDay: 0,
  inBySun: 0.97,
  inByAmps: 0.95,
  out: 0.96,
  chargeLimitW: 300,
  dischargeLimitW: 400,
  taperFromSoc: 0.8,
};
