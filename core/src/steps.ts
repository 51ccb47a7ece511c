/** Work that looks up between its steps, done in one go. */
export function finished<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** Work that looks up between its steps, telling at each of them the share that is done of a larger piece. */
export function* telling<T>(steps: Generator<unknown, T>, share: number): Generator<number, T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    yield share;
  }
}
