/** Names of which some are the same, each of those with its number behind: "lamp (1)", "horn", "lamp (2)". */
export const toldApart = (names: readonly string[]): readonly string[] =>
  names.map((name, i) => {
    const alike = names.flatMap((other, j) => (other === name ? [j] : []));
    return alike.length > 1 ? `${name} (${String(alike.indexOf(i) + 1)})` : name;
  });
