import { useRouter } from 'expo-router';
import { choicePhrase } from '../../parts/Sentence';

const views = [
  { value: 'month', label: 'lesson by lesson' },
  { value: 'days', label: 'to mark or catch up' },
  { value: 'totals', label: 'added up' },
] as const;
type View = (typeof views)[number]['value'];

/** The phrase that leads from one page of a class's attendance to the others. */
export function useAttendanceView(sectionId: string, value: View, month: string) {
  const router = useRouter();
  return choicePhrase<View>({
    name: 'choose how it is shown',
    value,
    options: views,
    onChange: (to) => {
      if (to === 'month')
        router.push({ pathname: '/classes/[sectionId]/months/[month]', params: { sectionId, month } });
      else if (to === 'days') router.push({ pathname: '/classes/[sectionId]/days', params: { sectionId } });
      else router.push({ pathname: '/totals', params: { sectionId } });
    },
  });
}
