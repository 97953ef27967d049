/** What the panel on the right can hold, fetched when it is first opened or when there is nothing else to do. */
export const PANEL_CONTENTS = {
  load: () => import('../steps/loads/LoadDetail.tsx').then(({ LoadDetail }) => ({ default: LoadDetail })),
  figure: () => import('./WorkingPanel.tsx').then(({ FigureWorking }) => ({ default: FigureWorking })),
};
