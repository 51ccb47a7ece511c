/** How many days each of several was put through: "400 to 2000 days". */
export function daysEach(days: readonly number[]): string {
  const [least, most] = [Math.min(...days), Math.max(...days)];
  return least === most ? `${most} days` : `${least} to ${most} days`;
}
