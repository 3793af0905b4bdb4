/** A Gamma distribution of rates by its mean and its shape. */
export interface GammaPrior {
  mean: number;
  shape: number;
}

const fewest = 5;
const [flattest, tightest] = [0.7, 30];

/**
 * What the students of a class have in common in a rate: the Gamma distribution that their own rates are
 * drawn from, by moments.
 * @param sums, exposures counted and observed, by student
 * @param guess the rate where nothing is known @param overdispersion variance beyond Poisson, per mean squared
 * Source: Marshall (1991), J. R. Stat. Soc. C 40, 283-294.
 */
export function gammaPrior(
  sums: Float64Array,
  exposures: Float64Array,
  guess: number,
  overdispersion: number,
): GammaPrior {
  let counted = guess * fewest;
  let observed = fewest;
  for (let i = 0; i < sums.length; i += 1) {
    counted += sums[i] ?? 0;
    observed += exposures[i] ?? 0;
  }
  const mean = counted / observed;
  let between = 0;
  let weights = 0;
  let students = 0;
  for (let i = 0; i < sums.length; i += 1) {
    const exposure = exposures[i] ?? 0;
    if (exposure < 4) continue;
    students += 1;
    const noise = (mean * (1 + mean * overdispersion)) / exposure;
    between += exposure * (((sums[i] ?? 0) / exposure - mean) ** 2 - noise);
    weights += exposure;
  }
  if (students < 5) return { mean, shape: 1.5 };
  const variance = between / weights;
  const shape = variance <= 0 ? tightest : (mean * mean) / variance;
  return { mean, shape: Math.min(tightest, Math.max(flattest, shape)) };
}
