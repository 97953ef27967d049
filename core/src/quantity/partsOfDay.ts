/** From when on and how long each part of the day is, minutes after midnight: the night is 22:00 to 07:00. From memory. */
export const HOURS_OF_PART = {
  night: { startMin: 22 * 60, minutes: 9 * 60 },
  day: { startMin: 7 * 60, minutes: 14 * 60 },
  morning: { startMin: 6 * 60, minutes: 5 * 60 },
  afternoon: { startMin: 12 * 60, minutes: 5 * 60 },
  evening: { startMin: 17 * 60, minutes: 5 * 60 },
} as const;

export type PartOfDay = keyof typeof HOURS_OF_PART;
