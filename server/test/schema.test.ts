import { DataSource } from 'typeorm';
import { entities } from '../src/database/entities';
import { migrations } from '../src/database/open';

test('the migrations make just the tables that the entities describe', async () => {
  const database = new DataSource({
    type: 'better-sqlite3',
    database: ':memory:',
    entities,
    migrations,
  });
  await database.initialize();
  await database.runMigrations();
  const { upQueries } = await database.driver.createSchemaBuilder().log();
  expect(upQueries.map(({ query }) => query)).toEqual([]);
  for (const _ of migrations) await database.undoLastMigration();
  await database.destroy();
});
