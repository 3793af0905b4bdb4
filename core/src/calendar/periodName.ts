import type { School } from '../records/schema';

/** What the time of a lesson is called; nothing where no period is just so long. */
export function periodName(
  periods: School['periods'] | undefined,
  { startsAt, endsAt }: { startsAt: string; endsAt: string },
): string {
  return periods?.find((one) => one.startsAt === startsAt && one.endsAt === endsAt)?.name ?? '';
}
