import seedrandom from 'seedrandom';

/** Draws from a seed: the same seed gives the same term. */
export class Chance {
  private readonly next: () => number;

  constructor(seed: string) {
    this.next = seedrandom.xor128(seed);
  }

  /** Uniform in 0..1. */
  uniform(): number {
    return this.next();
  }

  hit(share: number): boolean {
    return this.next() < share;
  }

  whole(from: number, to: number): number {
    return from + Math.floor(this.next() * (to - from + 1));
  }

  /** Box and Muller (1958). */
  normal(mean: number, deviation: number): number {
    const radius = Math.sqrt(-2 * Math.log(1 - this.next()));
    return mean + deviation * radius * Math.cos(2 * Math.PI * this.next());
  }

  /** Marsaglia and Tsang (2000); shapes under 1 by their power. */
  gamma(shape: number, mean: number): number {
    if (shape < 1)
      return (this.gamma(shape + 1, 1) * Math.pow(this.next(), 1 / shape) * (shape + 1) * mean) / shape;
    const d = shape - 1 / 3;
    for (;;) {
      const x = this.normal(0, 1);
      const v = (1 + x / Math.sqrt(9 * d)) ** 3;
      if (v > 0 && Math.log(1 - this.next()) < 0.5 * x * x + d - d * v + d * Math.log(v))
        return (d * v * mean) / shape;
    }
  }

  beta(mean: number, weight: number): number {
    const a = this.gamma(mean * weight, mean * weight);
    const b = this.gamma((1 - mean) * weight, (1 - mean) * weight);
    return a / (a + b);
  }

  /** Knuth's product for small means, in parts for larger ones. */
  poisson(mean: number): number {
    if (mean > 30) return this.poisson(mean / 2) + this.poisson(mean / 2);
    const floor = Math.exp(-mean);
    let product = this.next();
    let count = 0;
    while (product > floor) {
      product *= this.next();
      count += 1;
    }
    return count;
  }

  /** A count that scatters more than Poisson's: variance = mean + mean^2 / size. */
  overdispersed(mean: number, size: number): number {
    return this.poisson(this.gamma(size, mean));
  }
}
