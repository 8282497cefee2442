/** What a stage's picture is found by. */
export const PICTURE = 'picture';

/** Less of it than this is no sight of it, px. */
const SEEN_PX = 120;

/**
 * Brings the picture of what was just chosen into sight, once it is drawn: on a page too narrow for two columns it lies below
 * everything that it is chosen from. Where any of it is seen already, nothing moves.
 */
export function showPicture(): void {
  requestAnimationFrame(() => {
    const picture = document.getElementById(PICTURE);
    const scroller = picture?.closest('main');
    if (picture === null || scroller === null || scroller === undefined) return;
    const [top, foot] = [picture.getBoundingClientRect().top, scroller.getBoundingClientRect().bottom];
    if (top > foot - SEEN_PX) picture.scrollIntoView({ block: 'start' });
  });
}
