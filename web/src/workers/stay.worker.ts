import { type Job, type StaySimulation, simulateStay } from '@joulemetric/core';
import { expose, transfer } from 'comlink';

const stayWorker = {
  simulate(job: Job, optionId: string): StaySimulation {
    const stay = simulateStay(job, optionId);
    // The first and the last day are one trace when the stay is one night: each buffer is handed over once.
    const buffers = new Set(
      [stay.first.soc, stay.last.soc, stay.busW, stay.solarW, stay.alternatorW].map((a) => a.buffer),
    );
    return transfer(stay, [...buffers] as ArrayBuffer[]);
  },
};

export type StayWorker = typeof stayWorker;

expose(stayWorker);
