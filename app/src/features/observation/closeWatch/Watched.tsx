import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import { runWords } from '@slate-path/core/observation/closeWatch/words';
import { LinkRow } from '../../../parts/LinkRow';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { useRecords } from '../../../sync/useRecords';
import { space } from '../../../theme/tokens';
import { useAllSessions } from './useWatched';

/** What is watched closely in a class, each the way to its sessions; nothing where nothing is. */
export function Watched({ sectionId }: { sectionId: string }) {
  const router = useRouter();
  useAllSessions(sectionId);
  const plans = useRecords(({ current }) => current.observationPlan);
  const sessions = useRecords(({ current }) => current.observation);
  const all = Object.values(sessions).filter(({ removed }) => !removed);
  const shown = Object.values(plans)
    .filter((plan) => plan.sectionId === sectionId)
    .map((plan) => ({ plan, count: all.filter(({ planId }) => planId === plan.id).length }))
    // One that was removed keeps its sessions.
    .filter(({ plan, count }) => !plan.removed || count > 0)
    .sort((a, b) => a.plan.name.localeCompare(b.plan.name));
  if (shown.length === 0) return null;
  return (
    <Card style={{ gap: space(1) }}>
      <Words size="large" serif heading={2}>
        Close watch
      </Words>
      <View>
        {shown.map(({ plan, count }) => (
          <LinkRow
            key={plan.id}
            words={`${plan.name}: ${many(count, 'session')}. ${runWords(plan)}`}
            name={`${plan.name}: ${many(count, 'session')}. ${runWords(plan)}`}
            onOpen={() => {
              router.push({
                pathname: '/classes/[sectionId]/watched/[planId]',
                params: { sectionId, planId: plan.id },
              });
            }}
          />
        ))}
      </View>
    </Card>
  );
}
