import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { isDate } from '@slate-path/core/calendar/isDate';
import { termToLookAt } from '@slate-path/core/calendar/sectionTime';
import { listOf } from '@slate-path/core/records/records';
import type { LookFor, Student } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { Card } from '../../../parts/Card';
import { Page } from '../../../parts/Page';
import { Typing } from '../../../parts/Typing';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { usePaperSize } from '../../../files/paperSize';
import { useGiveFile } from '../../../files/useGiveFile';
import { readDate } from '../../../forms/readDate';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useLastDay, useSectionName } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';
import { usualRanges } from '../../attendance/totals/ranges';
import { TitledCard } from '../TitledCard';
import { DaysAndPaper } from './DaysAndPaper';
import { FilesOfClass } from './FilesOfClass';
import { newReports, reportsToMake, type ReportsForm } from './form';
import { ReportsCard } from './ReportsCard';

/** Who is in a class on a day, in the order of names. */
function useStudents(sectionId: string, day: string): Student[] {
  const current = useRecords((state) => state.current);
  const order = useNameOrder();
  return listOf(current, 'enrolment')
    .filter((one) => one.sectionId === sectionId && isEnrolledOn(one, day))
    .flatMap(({ studentId }) => {
      const student = current.student[studentId];
      return student && !student.removed ? [{ student }] : [];
    })
    .sort(byStudent(order))
    .map(({ student }) => student);
}

/** The class's own look-fors and those of all classes. */
function useLookFors(sectionId: string): LookFor[] {
  const current = useRecords((state) => state.current);
  return listOf(current, 'lookFor')
    .filter((one) => one.sectionId === null || one.sectionId === sectionId)
    .sort((a, b) => a.name.localeCompare(b.name));
}

function wrongDays(from: string, to: string): string | undefined {
  if (!isDate(from) || !isDate(to)) return 'A date looks like 2026-11-23';
  return from > to ? 'It ends before it begins' : undefined;
}

/** What a class gives out: reports, sheets, workbooks, and the class itself for a colleague. */
export function PapersScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const wide = useWide();
  const name = useSectionName(sectionId);
  const paper = usePaperSize();
  const lastDay = useLastDay(sectionId);
  const students = useStudents(sectionId, lastDay);
  const lookFors = useLookFors(sectionId);
  const current = useRecords((state) => state.current);
  const terms = listOf(current, 'term');
  const ranges = usualRanges(lastDay, terms);
  const term = termToLookAt(terms, lastDay);
  const usual = ranges.find(({ key }) => key === term?.id) ?? ranges[1];
  const [days, setDays] = useState({
    range: usual?.key ?? 'own',
    from: usual?.from ?? '',
    to: usual?.to ?? '',
  });
  const [form, setForm] = useState<ReportsForm>(newReports);
  const { busy, give, giveMade, stop, sheet } = useGiveFile();
  const span = { from: readDate(days.from), to: readDate(days.to) };
  // A report tells of what was, not of the days of the term that are to come.
  const upToNow = { ...span, to: span.to > lastDay && span.from <= lastDay ? lastDay : span.to };
  const error = wrongDays(span.from, span.to);
  const chosen = students.filter(({ id }) => !form.leftOut.has(id)).map(({ id }) => id);
  const make = () => {
    giveMade({ address: addressOf('reports'), body: reportsToMake(form, chosen, upToNow, paper) });
  };
  return (
    <Page
      title="Papers and files"
      tab={`Papers and files, ${name}`}
      note={name}
      back={{ to: { pathname: '/classes/[sectionId]', params: { sectionId } }, name }}
      main={
        busy
          ? { label: 'Stop', name: 'Stop making the file', about: 'The file is being made', onPress: stop }
          : {
              label: `Make ${many(chosen.length, 'report')}`,
              about: error ?? 'One PDF, a sheet or more for each',
              disabled: error !== undefined || chosen.length === 0,
              onPress: make,
            }
      }
      full
    >
      <Card>
        <DaysAndPaper {...days} ranges={ranges} error={error} onChange={setDays} />
      </Card>
      <View style={{ flexDirection: wide ? 'row' : 'column', gap: space(4), alignItems: 'stretch' }}>
        <View style={{ flex: wide ? 1 : undefined }}>
          <TitledCard title="Reports on students">
            <Typing about={`reports ${sectionId}`}>
              <ReportsCard
                {...{ students, lookFors, form }}
                onChange={(some) => {
                  setForm((before) => ({ ...before, ...some }));
                }}
              />
            </Typing>
          </TitledCard>
        </View>
        <View style={{ flex: wide ? 1 : undefined, gap: space(4) }}>
          <FilesOfClass
            {...{ sectionId, name }}
            {...span}
            busy={busy || error !== undefined}
            onGive={(address) => {
              give(address);
            }}
          />
        </View>
      </View>
      {sheet}
    </Page>
  );
}
