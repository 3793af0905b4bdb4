import { useEffect } from 'react';
import { typing } from '../../attendance/lesson/useLessonKeys';

interface MoveKeys {
  move: (dx: number, dy: number) => void;
  turn: () => void;
  take: () => void;
  drop: () => void;
}

/** Arrows move what is in hand, T turns it, Delete takes it away, Escape lets it go. */
export function useMoveKeys(on: boolean, { move, turn, take, drop }: MoveKeys): void {
  useEffect(() => {
    if (!on) return undefined;
    const actions: Record<string, () => void> = {
      ArrowLeft: () => {
        move(-1, 0);
      },
      ArrowRight: () => {
        move(1, 0);
      },
      ArrowUp: () => {
        move(0, 1);
      },
      ArrowDown: () => {
        move(0, -1);
      },
      t: turn,
      Delete: take,
      Escape: drop,
    };
    const onKey = (event: KeyboardEvent) => {
      if (typing() || event.ctrlKey || event.metaKey || event.altKey) return;
      const action = actions[event.key];
      if (!action) return;
      event.preventDefault();
      action();
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  });
}
