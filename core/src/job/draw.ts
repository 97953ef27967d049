import type { Draw } from './schema.ts';

/** The watts of a draw that a nameplate or a start is about: its strongest moment, W of one piece. */
export function runningPowerW(draw: Draw): number {
  switch (draw.kind) {
    case 'steady':
    case 'standby':
    case 'water-heating':
      return draw.powerW;
    case 'room':
      return draw.capacityW / draw.cop;
    case 'thermostatic':
      return draw.runningW;
    case 'cycle':
      return Math.max(...draw.phases.map((phase) => phase.powerW));
  }
}

/** Minutes of a cycle's phases of fixed length, and whether one phase fills the rest of the use. */
export function cycleLength(phases: Extract<Draw, { kind: 'cycle' }>['phases']): {
  readonly fixedMin: number;
  readonly stretches: boolean;
} {
  let fixedMin = 0;
  let stretches = false;
  for (const phase of phases) {
    if (phase.minutes === null) stretches = true;
    else fixedMin += phase.minutes;
  }
  return { fixedMin, stretches };
}

/**
 * The same draw with another running power, W of one piece. In a cycle the typed figure is the strongest
 * phase; the others keep their watts but never exceed it.
 */
export function withRunningPower(draw: Draw, powerW: number): Draw {
  switch (draw.kind) {
    case 'steady':
    case 'standby':
    case 'water-heating':
      return { ...draw, powerW };
    case 'room':
      return { ...draw, capacityW: powerW * draw.cop };
    case 'thermostatic':
      return { ...draw, runningW: powerW };
    case 'cycle': {
      const strongest = runningPowerW(draw);
      const phases = draw.phases.map((phase) => ({
        ...phase,
        powerW: phase.powerW === strongest ? powerW : Math.min(phase.powerW, powerW),
      }));
      return { ...draw, phases };
    }
  }
}

/** A draw of another kind with the same running power and usual figures for the rest. */
export function asKind(kind: Draw['kind'], powerW: number): Draw {
  switch (kind) {
    case 'steady':
    case 'standby':
      return { kind, powerW };
    case 'cycle':
      return { kind, phases: [{ label: 'run', powerW, minutes: null, startRatio: null }] };
    case 'thermostatic':
      return { kind, runningW: powerW, duty: 0.3, dutyAtC: 25, setC: 4 };
    case 'water-heating':
      return { kind, powerW, litres: 10, riseK: 40, efficiency: 0.95, standingW: 8 };
    case 'room': {
      const cop = 2.8;
      const capacityW = Math.min(30_000, Math.max(50, powerW * cop));
      const shell = { volumeM3: 12, insulation: 'light', glazingM2: 0.5, internalW: 150 } as const;
      return { kind, mode: 'cooling', capacityW, cop, setC: 24, ...shell };
    }
  }
}
