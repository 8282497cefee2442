/** The first stop of the Tab key: past the bars, to what the page is for. */
export const SkipLink = ({ to, children }: { readonly to: string; readonly children: string }) => (
  <a
    href={`#${to}`}
    onClick={(event) => {
      const target = document.getElementById(to);
      if (target === null) return;
      // The address is the build's: no mark of a place is written into it.
      event.preventDefault();
      target.focus();
    }}
    className="no-print sr-only focus:not-sr-only focus:fixed focus:top-1 focus:left-1 focus:z-50 focus:border-2 focus:border-ink focus:bg-field focus:px-4 focus:py-2"
  >
    {children}
  </a>
);
