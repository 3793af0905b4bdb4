import { fillRoom, type FillRequest } from '@slate-path/core/people/room/seating/fill';

/** Seats a class beside the page: searching may take a second where wishes contradict each other. */
addEventListener('message', ({ data }: MessageEvent<FillRequest>) => {
  postMessage(fillRoom(data));
});
