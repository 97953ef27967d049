/** Columns shared by the head, the rows and the day's total; the lane, then evidence and "at load" give way as the sheet narrows. */
export const COLUMNS =
  'grid grid-cols-[14px_minmax(140px,1.9fr)_96px_80px_88px_112px_150px_66px_minmax(110px,1.3fr)_62px] items-center gap-x-3 ' +
  '@max-[1000px]:grid-cols-[14px_minmax(100px,1.4fr)_84px_76px_88px_116px_58px_minmax(80px,1fr)_60px] @max-[1000px]:gap-x-2.5 ' +
  '@max-[800px]:grid-cols-[14px_minmax(100px,1.4fr)_84px_76px_110px_minmax(70px,1fr)_60px]';
export const COLUMN_COUNT = 10;
export const LANE_COLUMN = '@max-[1000px]:hidden';
export const SPARE_COLUMN = '@max-[800px]:hidden';
