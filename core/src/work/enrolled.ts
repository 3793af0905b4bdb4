import { isEnrolledOn } from '../attendance/roll/totals';
import { groupBy } from '../records/groupBy';
import type { Enrolment } from '../records/schema';

export type Membership = Pick<Enrolment, 'studentId' | 'startsOn' | 'endsOn'>;

/** Who was in a class on which days: students with an enrolment that touches a range, in their order. */
export class Enrolled {
  private readonly of: Map<string, Membership[]>;

  /** @param from first day @param to last day, both count */
  constructor(enrolments: readonly Membership[], from: string, to: string) {
    const touching = enrolments.filter(
      ({ startsOn, endsOn }) => (startsOn === null || startsOn <= to) && (endsOn === null || endsOn >= from),
    );
    this.of = groupBy(touching, ({ studentId }) => studentId);
  }

  get studentIds(): string[] {
    return [...this.of.keys()];
  }

  isIn(studentId: string, day: string): boolean {
    return (this.of.get(studentId) ?? []).some((enrolment) => isEnrolledOn(enrolment, day));
  }
}
