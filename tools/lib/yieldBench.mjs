/** A year of three arrays hour by hour, against a bare loop over typed arrays with the same calls of sine and cosine. */
import { blankArray } from '@joulemetric/core';
import { hourlyYield } from '../../core/src/sources/hourlyYield.ts';
import { sunHours } from '../../core/src/sun/hours.ts';

const DAYS = 365;
const HOURS = DAYS * 24;
const PLACE = { latitudeDeg: 47.5, longitudeDeg: -8.25, utcOffsetH: -1 };
const PLANES = [
  { slopeDeg: 0, azimuthDeg: null },
  { slopeDeg: 15, azimuthDeg: 180 },
  { slopeDeg: 40, azimuthDeg: 135 },
];

/** Made-up hours: brighter at noon and in summer, warm when it is bright. */
const made = (of) => Float64Array.from({ length: HOURS }, (_, k) => of(k % 24, Math.floor(k / 24)));
const ghiWh = made(
  (h, d) => Math.max(0, Math.sin(((h - 5) / 14) * Math.PI)) * (450 - 300 * Math.cos((d / DAYS) * 6.283)),
);
const airC = made((h, d) => 10 - 8 * Math.cos((d / DAYS) * 6.283) + 4 * Math.sin(((h - 8) / 12) * Math.PI));

/** The sun's place and three planes with their cells, as plain numbers: one sine and cosine an hour, 25 a day. */
function bareYear() {
  const given = PLANES.map(() => new Float64Array(HOURS));
  const terms = new Float64Array(9);
  const latitude = (PLACE.latitudeDeg * Math.PI) / 180;
  const [sinL, cosL] = [Math.sin(latitude), Math.cos(latitude)];
  return () => {
    for (let d = 0; d < DAYS; d++) {
      let decl = 0.4 * Math.sin(((d - 80) / 365) * 6.283);
      for (let i = 0; i < 12; i++) decl += 1e-9 * Math.sin(d * i) + 1e-9 * Math.cos(d + i);
      const [sinD, cosD] = [Math.sin(decl), Math.cos(decl)];
      const sunset = Math.acos(Math.max(-1, Math.min(1, (-sinL * sinD) / (cosL * cosD))));
      for (let i = 0; i < 9; i++) terms[i] = sinD * (i + 1) * 0.1 + cosD * 0.3;
      for (let h = 0; h < 24; h++) {
        const k = d * 24 + h;
        const wh = ghiWh[k];
        const middle = ((h + 0.5) / 24) * 2 * Math.PI - Math.PI;
        const [cosH, sinH] = [Math.cos(middle), Math.sin(middle)];
        if (wh <= 0 || Math.abs(middle) > sunset) continue;
        const zenith = sinL * sinD + cosL * cosD * cosH;
        const above = 1367 * zenith;
        const clear = Math.min(1, wh / above);
        const shared =
          clear <= 0.22
            ? 1 - 0.09 * clear
            : clear > 0.8
              ? 0.165
              : 0.9511 + clear * (-0.1604 + clear * (4.388 + clear * (-16.638 + clear * 12.336)));
        const diffuse = wh * shared;
        const beam = wh - diffuse;
        const around = beam / above;
        for (let p = 0; p < 3; p++) {
          const cosine = terms[p * 3] + terms[p * 3 + 1] * cosH + terms[p * 3 + 2] * sinH;
          const ratio = Math.max(0, cosine) / Math.max(0.052, zenith);
          const light = (beam + diffuse * around) * ratio + diffuse * (1 - around) * 0.95 + wh * 0.01;
          const cellC = airC[k] + 0.031 * light + 3 * Math.min(1, light / 800);
          const w = 0.3 * light * 0.97 * (1 - 0.004 * (cellC - 25)) * 0.98 * 0.98 * 0.97;
          given[p][k] = w < 280 ? w : 280;
        }
      }
    }
    return given;
  };
}

function ourYear() {
  const arrays = PLANES.map((plane, i) => ({ ...blankArray(`a${i}`, `Array ${i}`, 300), ...plane }));
  const under = { busV: 12, flatFactor: null, leads: null };
  return () => {
    const hours = { sun: sunHours(PLACE, 0, DAYS), ghiWh, airC };
    return arrays.map((array) => hourlyYield(array, hours, under));
  };
}

/** @returns ms of a year of each, the quickest of many, one and the other by turns */
export function yieldTimes() {
  const [ours, bare] = [ourYear(), bareYear()];
  const best = { ours: Number.POSITIVE_INFINITY, bare: Number.POSITIVE_INFINITY };
  for (let i = 0; i < 60; i++)
    for (const [name, work] of [
      ['ours', ours],
      ['bare', bare],
    ]) {
      const started = performance.now();
      work();
      best[name] = Math.min(best[name], performance.now() - started);
    }
  return best;
}
