import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { useTry } from '../../../forms/useTry';
import { WhatWentWrong } from '../../../forms/WhatWentWrong';
import { post } from '../../../sync/api';
import { useAsking } from '../../../sync/useAsking';
import { renewViews, useView } from '../../../sync/views';
import { PageLines } from './PageLines';

/** What of a student was passed on to readers, and the way to a new page. */
export function PagesOfStudent({ student }: { student: Student }) {
  const router = useRouter();
  const asking = useAsking('for what was shared');
  const { answer } = useView(addressOf('pagesOfStudent', { studentId: student.id }));
  const [run, problem, busy] = useTry();
  const pages = answer?.pages;
  const name = displayName(student);
  const open = pages?.filter(({ isOpen }) => isOpen).length ?? 0;
  return (
    <Card style={{ gap: space(2) }}>
      <Words bold heading={2}>
        Pages for readers
      </Words>
      <Words tone="inkQuiet">
        {pages === undefined
          ? asking
          : pages.length === 0
            ? 'A parent, a specialist or the office gets a page of its own: only what you choose, only this student, and it ends by itself.'
            : 'Each shows only what was chosen for its reader, and ends by itself.'}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label="A page for a reader"
          name={`A page for a reader, about ${name}`}
          kind="main"
          onPress={() => {
            router.push({
              pathname: '/students/[studentId]/reader-page',
              params: { studentId: student.id },
            });
          }}
        />
        {open > 1 ? (
          <Action
            label="End all"
            name={`End all pages about ${name}`}
            disabled={busy}
            onPress={() => {
              run(async () => {
                await post(addressOf('endPagesOfStudent', { studentId: student.id }));
                renewViews();
              });
            }}
          />
        ) : null}
      </View>
      <WhatWentWrong problem={problem} />
      {pages ? <PageLines pages={pages} /> : null}
    </Card>
  );
}
