import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { initialsOf } from '@slate-path/core/notes/forReader';
import { displayName } from '@slate-path/core/people/names';
import { listed } from '@slate-path/core/words/listed';
import { addDays } from '@slate-path/core/calendar/localTime';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { Page } from '../../../parts/Page';
import { forgetTyped } from '../../../parts/typed';
import { Typing } from '../../../parts/Typing';
import { Words } from '../../../parts/Words';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { errorsOf, useTry } from '../../../forms/useTry';
import { WhatWentWrong } from '../../../forms/WhatWentWrong';
import { post } from '../../../sync/api';
import { useNow } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { renewViews } from '../../../sync/views';
import { PhraseButton } from '../../phrases/PhraseButton';
import { TitledCard } from '../TitledCard';
import { AboutWhom } from './AboutWhom';
import { newForm, pageToMake, writtenOfWatch, type PageForm, type Subject } from './form';
import { HowLong } from './HowLong';
import { MadePage } from './MadePage';
import { PreviewOfPage } from './PreviewOfPage';
import { usePreview, type Preview } from './usePreview';
import { WhatIsShown } from './WhatIsShown';
import { WhoReads } from './WhoReads';

/**
 * A page about a student, or several, or about a class without names, for one reader: what is on it, seen as the
 * reader gets it, until it is made.
 */
export function NewPageScreen() {
  const {
    studentId = '',
    sectionId = '',
    watch,
  } = useLocalSearchParams<{
    studentId?: string;
    sectionId?: string;
    /** What was watched closely, where the page is begun there. */
    watch?: string;
  }>();
  const student = useRecords((state) => state.current.student[studentId]);
  const section = useRecords((state) => state.current.section[sectionId]);
  if (student) return <NewPage student={student} section={null} planId={watch} />;
  if (section) return <NewPage student={null} section={section} />;
  return <Page title="A page for a reader">{null}</Page>;
}

/** What it is about, where the page came from, and where one goes when it is made. */
function placeOf({ student, section }: Subject) {
  if (student)
    return {
      ...{ id: student.id, tab: initialsOf(student), note: displayName(student) },
      back: {
        to: { pathname: '/students/[studentId]' as const, params: { studentId: student.id, page: 'shared' } },
        name: 'What is shared',
      },
      made: { pathname: '/students/[studentId]' as const, params: { studentId: student.id, page: 'shared' } },
    };
  const to = { pathname: '/classes/[sectionId]' as const, params: { sectionId: section.id } };
  return {
    ...{ id: section.id, tab: section.name, note: `${section.name}, without names` },
    back: { to, name: 'Back to the class' },
    made: '/desk/shared' as const,
  };
}

/** The first day of the term that is on, or else of the last four weeks. */
function useTermStart(today: string): string {
  const terms = useRecords((state) => state.current.term);
  const term = Object.values(terms).find(
    ({ removed, startsOn, endsOn }) => !removed && startsOn <= today && today <= endsOn,
  );
  return term?.startsOn ?? addDays(today, -27);
}

/** Whom the page names, at the foot of a phone: nothing goes out unseen. */
function namesWords(preview: Preview | null): string {
  if (!preview) return 'Choose what is on it';
  if (preview.named.length === 1) return 'Names nobody but you';
  const initials = preview.shortened.length > 0 ? `; ${preview.shortened.length} only as initials` : '';
  return `Names ${listed(preview.named.slice(0, -1))} and you${initials}`;
}

/** A page that tells of what was watched closely, and of nothing else until more is chosen. */
function aboutWatched(planId: string, studentId: string): Partial<PageForm> {
  const { observationComment } = useRecords.getState().current;
  const comment = writtenOfWatch(observationComment, planId, studentId);
  return { parts: new Set(), planIds: new Set([planId]), comments: { [planId]: comment } };
}

function NewPage({ planId, ...subject }: Subject & { planId?: string | undefined }) {
  const router = useRouter();
  const wide = useWide();
  const today = useNow().date;
  const from = useTermStart(today);
  const [form, setForm] = useState<PageForm>(() => ({
    ...newForm(from, today, subject),
    ...(planId === undefined || subject.student === null ? {} : aboutWatched(planId, subject.student.id)),
  }));
  const [made, setMade] = useState<{ token: string; mailed: boolean } | null>(null);
  const [run, problem, busy] = useTry();
  const { student } = subject;
  const { id, tab, note, back, made: afterwards } = placeOf(subject);
  const page = pageToMake(form, subject);
  const { preview, isCurrent, problem: notShown } = usePreview(page);
  const about = `page ${id}`;
  const change = (some: Partial<PageForm>) => {
    setForm((before) => ({ ...before, ...some }));
  };
  const errors = errorsOf(problem ?? (notShown?.status === 400 ? notShown : null));
  const errorOf = (field: string) => errors.of(field);
  const make = () => {
    run(async () => {
      const { token, mailed } = await post(addressOf('makePage'), page);
      forgetTyped(about);
      renewViews();
      setMade({ token, mailed });
    });
  };
  return (
    <Page
      title="A page for a reader"
      tab={`A page for a reader, ${tab}`}
      note={note}
      back={back}
      main={{
        label: 'Make the page',
        about: namesWords(preview),
        disabled: busy || form.reader.trim() === '' || !isCurrent,
        onPress: make,
      }}
      full
    >
      <Typing about={about}>
        <View style={{ flexDirection: wide ? 'row' : 'column', gap: space(4), alignItems: 'stretch' }}>
          <View style={{ flex: wide ? 1 : undefined, gap: space(4) }}>
            <TitledCard title="Who reads it">
              <WhoReads {...{ student, form, errorOf }} onChange={change} />
            </TitledCard>
            <TitledCard title="What is on it">
              {student ? (
                <AboutWhom
                  student={student}
                  others={form.others}
                  onChange={(others) => {
                    change({ others });
                  }}
                />
              ) : (
                <Words>
                  Sums of the whole class. Nobody is named; of fewer than five students nothing is told.
                </Words>
              )}
              <WhatIsShown {...{ subject, form }} onChange={change} />
            </TitledCard>
            <TitledCard title="In your words">
              <Field
                label="A summary, at the top of the page (may stay empty)"
                value={form.summary}
                onChange={(summary) => {
                  change({ summary });
                }}
                error={errorOf('settings.summary')}
                multiline
                end={
                  <PhraseButton
                    about={{
                      studentId: subject.student?.id ?? null,
                      sectionId: subject.section?.id ?? null,
                      lesson: null,
                    }}
                    text={form.summary}
                    onChange={(summary) => {
                      change({ summary });
                    }}
                  />
                }
              />
              <View style={{ alignItems: 'flex-start' }}>
                <Action
                  label="Draft it from the facts"
                  disabled={!preview?.draft}
                  onPress={() => {
                    change({ summary: preview?.draft ?? '' });
                  }}
                />
              </View>
            </TitledCard>
            <TitledCard title="How long">
              <HowLong {...{ form, errorOf }} onChange={change} />
            </TitledCard>
            <WhatWentWrong problem={problem} />
          </View>
          <View style={{ width: wide ? 440 : '100%' }}>
            <PreviewOfPage
              preview={preview}
              settings={{ ...page.settings, reader: page.settings.reader || '…' }}
              problem={notShown}
            />
          </View>
        </View>
      </Typing>
      {made ? (
        <MadePage
          {...made}
          reader={form.reader}
          email={form.email.trim()}
          onClose={() => {
            router.replace(afterwards);
          }}
        />
      ) : null}
    </Page>
  );
}
