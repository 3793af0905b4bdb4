// A browser and a server take their time on a small machine.
jest.setTimeout(90_000);
