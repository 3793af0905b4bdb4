/** A Beta distribution by its mean and its weight (the sum of its two parameters). */
export interface BetaPrior {
  mean: number;
  weight: number;
}

/** What is thought before any class was seen, worth so many observations. */
const fewest = 20;
const [lightest, heaviest] = [12, 200];

/**
 * What the students of a class have in common in a share: the Beta distribution that their own shares
 * are drawn from, by moments. It is what a new student is taken for, and what holds others together.
 * @param k, n hits and trials by student @param guess the share where nothing is known, 0 to 1
 * Source: Kleinman (1973), J. Am. Stat. Assoc. 68, 46-54.
 */
export function betaPrior(k: Float64Array, n: Float64Array, guess: number): BetaPrior {
  let hits = guess * fewest;
  let trials = fewest;
  for (let i = 0; i < n.length; i += 1) {
    hits += k[i] ?? 0;
    trials += n[i] ?? 0;
  }
  const mean = hits / trials;
  const spread = mean * (1 - mean);
  let between = 0;
  let students = 0;
  let squares = 0;
  for (let i = 0; i < n.length; i += 1) {
    const ni = n[i] ?? 0;
    if (ni < 5) continue;
    students += 1;
    squares += ni * ni;
    between += ni * ((k[i] ?? 0) / ni - mean) ** 2;
  }
  const all = trials - fewest;
  const divisor = all - squares / Math.max(all, 1);
  if (students < 5 || divisor <= 0) return { mean, weight: 30 };
  const variance = (between - (students - 1) * spread) / divisor;
  const weight = variance <= 0 ? heaviest : spread / variance - 1;
  return { mean, weight: Math.min(heaviest, Math.max(lightest, weight)) };
}
