import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { listed } from '@slate-path/core/words/listed';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { dayMonth } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { useTry } from '../../../forms/useTry';
import { WhatWentWrong } from '../../../forms/WhatWentWrong';
import { post } from '../../../sync/api';
import { renewViews } from '../../../sync/views';
import { useMoments } from '../useMoments';
import { relationNames } from './WhoReads';

export type ReaderPage = AnswerOf<'pages'>['pages'][number];

function PageLine({ page, ofWhom }: { page: ReaderPage; ofWhom: boolean }) {
  const palette = usePalette();
  const { day, moment } = useMoments();
  const [isOpen, setOpen] = useState(false);
  const [run, problem, busy] = useTry();
  const {
    settings,
    names,
    className,
    madeAt,
    madeBy,
    until,
    endedAt,
    openings,
    openedAt,
    letter,
    hasCode,
    lately,
  } = page;
  const state = page.isOpen
    ? `Opens until ${dayMonth(until)}`
    : `Ended on ${endedAt === null ? dayMonth(until) : day(endedAt)}`;
  const opened =
    openings === 0 || openedAt === null
      ? 'not opened yet'
      : `opened ${many(openings, 'time')}, last on ${moment(openedAt)}`;
  return (
    <View style={{ gap: space(1), paddingVertical: space(2), borderTopWidth: 1, borderColor: palette.line }}>
      <Words bold>{`${settings.reader}, ${relationNames[settings.relation]}`}</Words>
      {ofWhom ? <Words>{className === null ? listed(names) : `${className}, without names`}</Words> : null}
      <Words tone={page.isOpen ? 'ink' : 'inkQuiet'}>{`${state}; ${opened}`}</Words>
      <Words size="small" tone="inkQuiet">
        {[
          `Made by ${madeBy} on ${day(madeAt)}`,
          letter ? `the letter to ${letter.address}: ${letter.words}` : '',
          hasCode ? 'asks for a code' : '',
        ]
          .filter(Boolean)
          .join(', ')}
      </Words>
      {isOpen ? (
        <Words size="small" tone="inkQuiet">
          {lately
            .map(({ minute, times }) => `${moment(minute)}${times > 1 ? ` (${times} times)` : ''}`)
            .join(' · ')}
        </Words>
      ) : null}
      <WhatWentWrong problem={problem} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
        {page.isOpen ? (
          <Action
            label="End it"
            name={`End it: the page for ${settings.reader}`}
            disabled={busy}
            onPress={() => {
              run(async () => {
                await post(addressOf('endPage', { pageId: page.id }));
                renewViews();
              });
            }}
          />
        ) : null}
        {lately.length > 0 ? (
          <Action
            label={isOpen ? 'Hide when' : 'When'}
            name={isOpen ? `Hide when: ${settings.reader}` : `When ${settings.reader} opened it`}
            onPress={() => {
              setOpen(!isOpen);
            }}
          />
        ) : null}
      </View>
    </View>
  );
}

/** Pages for readers, each with how it stands. @param ofWhom whether its students are said */
export function PageLines({ pages, ofWhom = false }: { pages: readonly ReaderPage[]; ofWhom?: boolean }) {
  return pages.map((page) => <PageLine key={page.id} page={page} ofWhom={ofWhom} />);
}
