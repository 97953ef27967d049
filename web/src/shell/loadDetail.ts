/** All that is known of a load, fetched when it is first opened or when there is nothing else to do. */
export const fetchLoadDetail = () =>
  import('../steps/loads/LoadDetail.tsx').then(({ LoadDetail }) => ({ default: LoadDetail }));
