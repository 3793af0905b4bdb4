import { useRouter } from 'expo-router';
import { Action } from '../../../parts/Action';
import { Empty } from '../../../parts/Empty';
import { Page } from '../../../parts/Page';
import { listOf } from '@slate-path/core/records/records';
import { View } from 'react-native';
import { space } from '../../../theme/tokens';
import { useAccount } from '../../../sync/account';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useSync } from '../../../sync/sync';

/** No lesson to show: what is missing, and the one action that brings it. */
export default function NoLesson({ asked }: { asked: string | undefined }) {
  const router = useRouter();
  const isKeeper = useAccount((account) => account.isKeeper);
  const state = useSync();
  const classes = useRecords((records) => listOf(records.current, 'section').length);
  const terms = useRecords((records) => listOf(records.current, 'term').length);
  const removed = useRecords(
    (records) => asked !== undefined && records.current.lesson[asked]?.removed === true,
  );
  if (state === 'loading') return <Page title="Lesson">{null}</Page>;
  const go = (to: '/people' | '/desk' | '/now' | '/') => () => {
    router.navigate(to);
  };
  if (removed && asked)
    return (
      <Page title="Lesson">
        <Empty
          title="This lesson was deleted"
          action={
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
              <TakeBack about={asked} always />
              <Action label="To the lesson on now" kind="main" onPress={go('/')} />
            </View>
          }
        >
          It counts for nobody and stands nowhere. What was marked in it is kept, and comes back with it.
        </Empty>
      </Page>
    );
  if (asked)
    return (
      <Page title="Lesson">
        <Empty
          title="This lesson is not here"
          action={<Action label="To the lesson on now" kind="main" onPress={go('/')} />}
        >
          The timetable may have changed since, or the day is now a day off.
        </Empty>
      </Page>
    );
  if (classes === 0)
    return (
      <Page title="Lesson">
        <Empty
          title="Your lesson will stand here"
          action={
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
              <Action label="Take a roll now" kind="main" onPress={go('/now')} />
              <Action label="Set up a class first" onPress={go('/people')} />
            </View>
          }
        >
          A name for the class and who is in it, and its roll is open. Term and timetable can come later; with
          them, the lesson on now opens here by itself.
        </Empty>
      </Page>
    );
  if (terms === 0 && !isKeeper)
    return (
      <Page title="Lesson">
        <Empty
          title="No term yet"
          action={<Action label="Take a roll now" kind="main" onPress={go('/now')} />}
        >
          The keeper of your school gives the dates of the term. From then on the lesson on now opens here by
          itself.
        </Empty>
      </Page>
    );
  return (
    <Page title="Lesson">
      <Empty
        title={terms === 0 ? 'When is the term?' : 'When does the class meet?'}
        action={
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
            <Action label="Take a roll now" kind="main" onPress={go('/now')} />
            <Action
              label={terms === 0 ? 'Give the term’s dates' : 'Give its lessons'}
              onPress={go('/desk')}
            />
          </View>
        }
      >
        With the dates of the term and the times a class meets, the lesson on now opens here by itself.
      </Empty>
    </Page>
  );
}
