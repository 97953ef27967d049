/** What the panel on the right and an empty list can hold, fetched when it is first wanted or when there is nothing else to do. */
export const PANEL_CONTENTS = {
  load: () => import('../steps/loads/LoadDetail.tsx').then(({ LoadDetail }) => ({ default: LoadDetail })),
  firstLoads: () => import('../steps/loads/FirstLoads.tsx').then(({ FirstLoads }) => ({ default: FirstLoads })),
  onPhone: () => import('./PhonePanel.tsx').then(({ PhonePanel }) => ({ default: PhonePanel })),
  figure: () => import('./WorkingPanel.tsx').then(({ FigureWorking }) => ({ default: FigureWorking })),
};
