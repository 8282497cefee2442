/** The frame of a build is fetched apart from the first page, and ahead of being needed. */
export const loadBuildPage = () => import('./build-page.tsx').then((m) => ({ default: m.BuildPage }));
