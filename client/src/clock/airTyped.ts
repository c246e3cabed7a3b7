/** Air as it is typed, in °C and %; a sentence where it cannot be. */
export function readTyped({
  airC,
  rhPercent,
}: {
  readonly airC: string;
  readonly rhPercent: string;
}): { readonly airC: number; readonly rhPercent: number } | string {
  const [air, rh] = [airC, rhPercent].map((text) => (/^\s*-?\d+(?:[.,]\d+)?\s*$/.test(text) ? Number(text.replace(',', '.')) : NaN));
  if (!(air! >= -20 && air! <= 60)) return 'Write the air as a temperature from -20 to 60 °C, such as 18.5.';
  if (!(rh! >= 1 && rh! <= 100)) return 'Write the humidity as 1 to 100 %, such as 55.';
  return { airC: air!, rhPercent: rh! };
}
