/** A seed from the browser's own randomness: nobody chooses it; it is recorded with what it drew. */
export const freshSeed = () => crypto.getRandomValues(new Uint32Array(1))[0] ?? Date.now();
