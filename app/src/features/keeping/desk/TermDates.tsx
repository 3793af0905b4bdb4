import { useState } from 'react';
import { View } from 'react-native';
import { listOf } from '@slate-path/core/records/records';
import type { Term } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { dayMonth } from '../../../parts/dates';
import { DateField } from '../../../parts/DateField';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { space } from '../../../theme/tokens';
import { check } from '../../../forms/check';
import { useAccount } from '../../../sync/account';
import { makeChange, newId } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { OnlyKeeper } from '../../../forms/OnlyKeeper';
import { NextTermForm } from './NextTermForm';
import { readDate } from '../../../forms/readDate';

function TermForm({ term, onClose }: { term: Term | null; onClose: () => void }) {
  const [name, setName] = useState(term?.name ?? 'Term');
  const [startsOn, setStartsOn] = useState(term?.startsOn ?? '');
  const [endsOn, setEndsOn] = useState(term?.endsOn ?? '');
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `term ${term?.id ?? 'new'}`;
  const accept = async () => {
    const fields = { id: term?.id ?? newId(), name, startsOn: readDate(startsOn), endsOn: readDate(endsOn) };
    const read = await check('TermToSet', fields);
    if (read.errors) {
      setErrors(read.errors);
      return;
    }
    makeChange('term.set', read.data, 'desk');
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet title={term ? 'Change the term' : 'A new term'} about={form} onClose={onClose}>
      <Field label="Name" value={name} onChange={setName} error={errors['name']} />
      <DateField
        label="First day"
        value={startsOn}
        onChange={setStartsOn}
        error={errors['startsOn']}
        placeholder="2026-08-17"
      />
      <DateField
        label="Last day"
        value={endsOn}
        onChange={setEndsOn}
        error={errors['endsOn']}
        placeholder="2026-12-18"
      />
      <Action label={term ? 'Change' : 'Add the term'} kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}

/** The terms, each with its first and last day. */
export function TermDates() {
  const [open, setOpen] = useState<Term | 'new' | null>(null);
  const [next, setNext] = useState(false);
  const terms = useRecords((state) => state.current.term);
  const listed = Object.values(terms)
    .filter((term) => !term.removed)
    .sort((a, b) => (a.startsOn < b.startsOn ? -1 : 1));
  const last = listed.at(-1);
  const isKeeper = useAccount((account) => account.isKeeper);
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Term
      </Words>
      {listed.length === 0 ? (
        <Words tone="inkQuiet">Lessons are only on days of a term. Give its first and last day.</Words>
      ) : null}
      {listed.map((term) => (
        <View key={term.id} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <View style={{ flex: 1 }}>
            <Words bold>{term.name}</Words>
            <Words tone="inkQuiet">{`${dayMonth(term.startsOn)} to ${dayMonth(term.endsOn)} ${term.endsOn.slice(0, 4)}`}</Words>
          </View>
          {isKeeper ? (
            <Action
              label="Change"
              name={`Change ${term.name}`}
              onPress={() => {
                setOpen(term);
              }}
            />
          ) : null}
        </View>
      ))}
      <OnlyKeeper>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          <Action
            label="Add a term"
            kind={listed.length === 0 ? 'main' : 'plain'}
            onPress={() => {
              setOpen('new');
            }}
          />
          {last ? (
            <Action
              label="Another from this set-up"
              onPress={() => {
                setNext(true);
              }}
            />
          ) : null}
          <TakeBack about="desk" of="term" />
        </View>
      </OnlyKeeper>
      {next && last ? (
        <NextTermForm
          last={last}
          onClose={() => {
            setNext(false);
          }}
        />
      ) : null}
      {open ? (
        <TermForm
          term={open === 'new' ? null : open}
          onClose={() => {
            setOpen(null);
          }}
        />
      ) : null}
    </Card>
  );
}

/** The names of terms a date may be outside of. */
export function useTerms(): Term[] {
  const current = useRecords((state) => state.current);
  return listOf(current, 'term');
}
