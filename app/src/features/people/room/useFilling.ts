import { useCallback, useEffect, useRef, useState } from 'react';
import { fillRoom, type FillRequest, type Filled } from '@slate-path/core/people/room/seating/fill';

/** Seats a class beside the page; in it where the browser has no workers, or cannot load this one. */
function fillBeside(request: FillRequest, signal: AbortSignal): Promise<Filled> {
  if (typeof Worker === 'undefined') return Promise.resolve(fillRoom(request));
  return new Promise((resolve) => {
    const worker = new Worker('/workers/seating.js');
    signal.addEventListener('abort', () => {
      worker.terminate();
    });
    worker.onmessage = ({ data }: MessageEvent<Filled>) => {
      worker.terminate();
      resolve(data);
    };
    worker.onerror = () => {
      worker.terminate();
      resolve(fillRoom(request));
    };
    worker.postMessage(request);
  });
}

/** Seats a class; one at a time, and none after the page is left. */
export function useFilling(): { busy: boolean; fill: (request: FillRequest) => Promise<Filled> } {
  const [busy, setBusy] = useState(false);
  const going = useRef<AbortController | null>(null);
  useEffect(() => () => going.current?.abort(), []);
  const fill = useCallback(async (request: FillRequest) => {
    going.current?.abort();
    const control = new AbortController();
    going.current = control;
    setBusy(true);
    try {
      return await fillBeside(request, control.signal);
    } finally {
      if (going.current === control) setBusy(false);
    }
  }, []);
  return { busy, fill };
}
