import type http from 'node:http';
import { askPage, firstPage } from '../src/work/feed/askStore';
import { startRecordStore, type RecordStore } from './recordStore';

let store: RecordStore;

beforeAll(async () => {
  store = await startRecordStore();
});
afterAll(() => store.close());

test.each<[string, (response: http.ServerResponse) => void]>([
  ['says nothing', () => undefined],
  ['stops in the middle', (response) => response.writeHead(200).write('{"statements":[')],
])('a store that %s is not waited for, nor when the server stops', async (_what, behave) => {
  store.instead = (_request, response) => {
    behave(response);
  };
  const access = { address: store.address, userName: '', password: '', course: '', version: '1.0.3' };
  const url = firstPage(access, null);
  await expect(askPage(url, access, new AbortController().signal, 0.3)).rejects.toThrow('longer than 0.3');
  const closing = new AbortController();
  const asked = askPage(url, access, closing.signal, 20);
  setTimeout(() => {
    closing.abort();
  }, 100);
  await expect(asked).rejects.toThrow('the server stopped');
});
