/** How often two observers said the same, and how much of it chance would bring about. */
export interface Kappa {
  /** So many cases were judged by both. */
  cases: number;
  /** Share of cases on which both said the same. */
  observed: number;
  /** Share that would agree if each observer kept to how often they say what, and said it by chance. */
  expected: number;
  /** (observed − expected) / (1 − expected); null where chance alone would agree always. */
  kappa: number | null;
  /** Standard error for cases that are independent of each other; null where kappa is, or where no case disagrees. */
  standardError: number | null;
}

const total = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0);

/**
 * Cohen's kappa for two observers and any number of categories.
 * Sources: Cohen, A coefficient of agreement for nominal scales, Educational and Psychological Measurement 20 (1960);
 * the standard error by Fleiss, Cohen and Everitt, Large sample standard errors of kappa and weighted kappa,
 * Psychological Bulletin 72 (1969), formula 13.
 * @param table square; row: what the first said, column: what the second said; counts of cases, not negative
 * @returns null where there is no case
 */
export function cohenKappa(table: readonly (readonly number[])[]): Kappa | null {
  const cases = total(table.map(total));
  if (cases === 0) return null;
  const rows = table.map((row) => total(row) / cases);
  const columns = table.map((_, column) => total(table.map((row) => row[column] ?? 0)) / cases);
  const share = (row: number, column: number) => (table[row]?.[column] ?? 0) / cases;
  const kinds = table.map((_, kind) => kind);
  const observed = total(kinds.map((kind) => share(kind, kind)));
  const expected = total(kinds.map((kind) => (rows[kind] ?? 0) * (columns[kind] ?? 0)));
  // Only where both said one and the same thing of every case.
  if (1 - expected < 1e-12) return { cases, observed, expected, kappa: null, standardError: null };
  const kappa = (observed - expected) / (1 - expected);
  const onDiagonal = total(
    kinds.map((kind) => {
      const both = (rows[kind] ?? 0) + (columns[kind] ?? 0);
      return share(kind, kind) * (1 - expected - both * (1 - observed)) ** 2;
    }),
  );
  const beside = total(
    kinds.flatMap((row) =>
      kinds
        .filter((column) => column !== row)
        .map((column) => share(row, column) * ((columns[row] ?? 0) + (rows[column] ?? 0)) ** 2),
    ),
  );
  const spread = (observed * expected - 2 * expected + observed) ** 2;
  const variance = (onDiagonal + (1 - observed) ** 2 * beside - spread) / (cases * (1 - expected) ** 4);
  return {
    ...{ cases, observed, expected, kappa },
    standardError: observed === 1 ? null : Math.sqrt(Math.max(variance, 0)),
  };
}
