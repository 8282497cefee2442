/** "34 T", "gear 3", or both where a hub gear has several cogs. */
export function gearName(
  { cogTeeth, hubGear }: { readonly cogTeeth: number; readonly hubGear: number | null },
  cogs: number,
): string {
  if (hubGear === null) return `${String(cogTeeth)} T`;
  return cogs > 1 ? `${String(cogTeeth)} T, gear ${String(hubGear)}` : `gear ${String(hubGear)}`;
}
