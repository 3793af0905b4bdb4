import { DataSource } from 'typeorm';
import { entities } from '../src/database/entities';
import { FirstTables1764000000000 } from '../src/database/migrations/1764000000000-FirstTables';

test('the migrations make just the tables that the entities describe', async () => {
  const database = new DataSource({
    type: 'better-sqlite3',
    database: ':memory:',
    entities,
    migrations: [FirstTables1764000000000],
  });
  await database.initialize();
  await database.runMigrations();
  const { upQueries } = await database.driver.createSchemaBuilder().log();
  expect(upQueries.map(({ query }) => query)).toEqual([]);
  await database.undoLastMigration();
  await database.destroy();
});
