/** What judges the cards is fetched apart from the page that lists them, and begins with it. */
export const loadCardVerdict = () => import('./card-verdict.tsx').then((m) => m.CardVerdict);
