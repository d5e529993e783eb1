/** The day of a moment on the kitchen's own clock, as the API takes it. */
export function dayIso(moment: number): string {
  const at = new Date(moment);
  const two = (figure: number) => String(figure).padStart(2, "0");
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}
