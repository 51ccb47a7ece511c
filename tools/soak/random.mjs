/** A seeded source of chance: the same seed makes the same soak. */
export function chance(seed) {
  let s = (seed * 2654435761) % 2147483647 || 1;
  const next = () => (s = (s * 48271) % 2147483647) / 2147483647;
  const whole = (n) => Math.floor(next() * n);
  return { next, whole, pick: (list) => list[whole(list.length)] };
}
