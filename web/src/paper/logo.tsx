/** A hand cart with two apples. */
export function Logo() {
  return (
    <svg viewBox="0 0 28 22" width="28" height="22" aria-hidden>
      <path
        d="M1 4h4l3 10h12l4-8H7"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.8"
        strokeLinejoin="miter"
      />
      <circle cx="13.5" cy="18" r="2.7" fill="none" stroke="var(--ink)" strokeWidth="1.8" />
      <circle cx="12" cy="3.2" r="2.5" fill="var(--stop-fill)" />
      <circle cx="17.4" cy="3.2" r="2.5" fill="var(--fine-fill)" />
    </svg>
  );
}
