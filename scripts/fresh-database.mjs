/** A database of its own for every run, so that nothing is left over from the last one. */
export const freshDatabase = async (url) => {
  const { default: pg } = await import('pg');
  const { migrate } = await import('../web/database/migrate.mjs');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const name = `oculon_test_${Date.now()}`;
  await client.query(`create database ${name}`);
  const fresh = Object.assign(new URL(url), { pathname: `/${name}` }).toString();
  await migrate(fresh);
  const drop = async () => {
    await client.query(`drop database if exists ${name} with (force)`);
    await client.end();
  };
  return { url: fresh, drop };
};
