import { lazy, Suspense, type ComponentType } from 'react';

/**
 * A part that is loaded when it is first shown, as a sheet that opens at a tap: its code does not come with the
 * first screen. The service worker has it without a network.
 */
export function lazily<P extends object>(
  load: () => Promise<{ default: ComponentType<P> }>,
): (props: P) => React.JSX.Element {
  const Part = lazy(load) as unknown as ComponentType<P>;
  return function Lazily(props: P) {
    return (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    );
  };
}
