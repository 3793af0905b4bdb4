import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { dayMonth } from '../../../parts/dates';
import type { Group } from '../../../parts/Groups';
import { Page } from '../../../parts/Page';
import { useNow } from '../../../sync/clock';
import { useLastDay, useSectionName } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';
import { useWide } from '../../../theme/theme';
import { useClassRole } from '../../sharing/colleagues';
import { useLessonToOpen, whenWords } from './ofClass';

/** The pages of a class. */
export type ClassTab =
  'Overview' | 'Attendance' | 'Counts' | 'Work and activity' | 'Notes' | 'Tick-sheets' | 'Room' | 'Set up';

interface ClassPageProps {
  sectionId: string;
  page: ClassTab;
  /** What the browser's tab calls it, where several pages stand under one word. */
  tab?: string;
  note?: string;
  tools?: ReactNode;
  /** The one thing to do here; the lesson is opened where there is none of the page's own. */
  main?: { label: string; name?: string; disabled?: boolean; onPress: () => void };
  more?: readonly Group[];
  full?: boolean;
  children: ReactNode;
}

/** What every page of a class has: its name, its pages in a row, the way to its lesson. */
export default function ClassPage({
  sectionId,
  page,
  tab = page,
  note,
  tools,
  main,
  more = [],
  full,
  children,
}: ClassPageProps) {
  const router = useRouter();
  const wide = useWide();
  const now = useNow();
  const name = useSectionName(sectionId);
  const section = useRecords(({ current }) => current.section[sectionId]);
  const isTeacher = useClassRole(sectionId) === 'teacher';
  const lastDay = useLastDay(sectionId);
  const lesson = useLessonToOpen(sectionId);
  const params = { sectionId };
  const month = lastDay.slice(0, 7);
  const go = {
    Overview: () => {
      router.push({ pathname: '/classes/[sectionId]', params });
    },
    Attendance: () => {
      router.push({ pathname: '/classes/[sectionId]/months/[month]', params: { sectionId, month } });
    },
    Counts: () => {
      router.push({ pathname: '/classes/[sectionId]/counts', params });
    },
    'Work and activity': () => {
      router.push({ pathname: '/classes/[sectionId]/work', params });
    },
    Notes: () => {
      router.push({ pathname: '/classes/[sectionId]/notes', params });
    },
    'Tick-sheets': () => {
      router.push({ pathname: '/classes/[sectionId]/ticks', params });
    },
    Room: () => {
      router.push({ pathname: '/classes/[sectionId]/room', params });
    },
    'Set up': () => {
      router.push({ pathname: '/classes/[sectionId]/set-up', params });
    },
  } satisfies Record<ClassTab, () => void>;
  const tabs = (Object.keys(go) as ClassTab[]).filter((one) => one !== 'Set up' || isTeacher);
  const over = lastDay !== now.date;
  const when = wide ? whenWords(lesson, now) : '';
  const usual = [
    when && (when === 'now' ? 'the lesson is on' : `next lesson ${when}`),
    wide ? section?.room : '',
    over ? `ended on ${dayMonth(lastDay)} ${lastDay.slice(0, 4)}; all that was kept stays` : '',
  ];
  const open = lesson
    ? {
        label: 'Open the lesson',
        onPress: () => {
          router.push({ pathname: '/lessons/[lessonId]', params: { lessonId: lesson.id } });
        },
      }
    : undefined;
  // A class that was never taught: nothing else fills its pages.
  const begin = lesson
    ? undefined
    : {
        label: 'Take a roll now',
        about: 'The timetable can come later',
        onPress: () => {
          router.push('/now');
        },
      };
  return (
    <Page
      title={name || 'Class'}
      tab={`${tab}, ${name}`}
      note={[note, ...usual].filter(Boolean).join(' · ')}
      back={{ to: '/people', name: 'All classes' }}
      tools={tools}
      main={main ?? (wide ? open : undefined) ?? (section ? begin : undefined)}
      acts={
        isTeacher && section
          ? [
              wide || !open ? null : open,
              {
                label: 'Write',
                onPress: () => {
                  router.push({ pathname: '/write', params });
                },
              },
              {
                label: 'A sentence to each',
                ...(wide ? {} : { note: 'A phrase with each one’s own name in it, as a note and home' }),
                onPress: () => {
                  router.push({ pathname: '/each', params });
                },
              },
              {
                label: 'Bring a roster',
                ...(wide ? {} : { note: 'A file or a list: who is in the class, with their guardians' }),
                onPress: () => {
                  router.push({ pathname: '/classes/[sectionId]/roster', params });
                },
              },
            ]
          : []
      }
      more={[
        ...more,
        ...(isTeacher && section
          ? [
              {
                title: 'In the room',
                items: [
                  {
                    label: 'Check in',
                    note: 'A code on the wall: students come in by their own phones',
                    onPress: () => {
                      router.push({ pathname: '/classes/[sectionId]/check-in', params });
                    },
                  },
                  {
                    label: 'Nods',
                    note: 'Who did well, what for and when; who has had none',
                    onPress: () => {
                      router.push({ pathname: '/classes/[sectionId]/nods', params });
                    },
                  },
                  {
                    label: 'Weather',
                    note: 'How they said they are, day by day',
                    onPress: () => {
                      router.push({ pathname: '/classes/[sectionId]/weather', params });
                    },
                  },
                ],
              },
              {
                title: 'To hand on',
                items: [
                  {
                    label: 'Papers and files',
                    note: 'Reports, registers and counts as PDF, workbooks, the class for a colleague',
                    onPress: () => {
                      router.push({ pathname: '/classes/[sectionId]/papers', params });
                    },
                  },
                  {
                    label: 'A page for a reader, without names',
                    note: 'How the class is as a whole, for a head or a colleague; it ends by itself',
                    onPress: () => {
                      router.push({ pathname: '/classes/[sectionId]/reader-page', params });
                    },
                  },
                  {
                    label: 'Students’ own page',
                    note: 'What each student sees of themselves, by a card with a code',
                    onPress: () => {
                      router.push({ pathname: '/classes/[sectionId]/own-view', params });
                    },
                  },
                ],
              },
              {
                title: 'Many days at once',
                items: [
                  {
                    label: 'A range of days',
                    note: 'Someone is away for a week, or the class is on a trip',
                    onPress: () => {
                      router.push({ pathname: '/range', params });
                    },
                  },
                ],
              },
            ]
          : []),
      ]}
      tabs={
        section
          ? {
              name: 'Pages of the class',
              items: tabs.map((label) => ({ label, chosen: label === page, onTap: go[label] })),
            }
          : null
      }
      full={full}
    >
      {children}
    </Page>
  );
}
