/** The roles of the app; ivy_owner owns the schemas and runs migrations only, the others own and pass nothing. */
export const ROLES = ["ivy_owner", "ivy_app", "ivy_auth", "ivy_device"];
const OF_THE_APP = ["ivy_app", "ivy_auth", "ivy_device"];

/** Makes the roles that are not there yet; returns which. `admin` is a connection that may. */
export async function makeRoles(admin, passwords) {
  const made = [];
  for (const role of ROLES) {
    const { rowCount } = await admin.query("select 1 from pg_roles where rolname = $1", [role]);
    if (rowCount) continue;
    await admin.query(`create role ${role} login nosuperuser nocreatedb nocreaterole nobypassrls password '${passwords[role]}'`);
    made.push(role);
  }
  return made;
}

/** Makes a database of ivy_owner's, where there is none of that name, which the app's roles get into; `grant: false` lets none in. */
export async function makeDatabase(admin, database, { grant = true } = {}) {
  const { rowCount } = await admin.query("select 1 from pg_database where datname = $1", [database]);
  if (rowCount) return false;
  await admin.query(`create database ${database} owner ivy_owner`);
  await admin.query(`revoke all on database ${database} from public`);
  if (grant) await admin.query(`grant connect on database ${database} to ${OF_THE_APP.join(", ")}`);
  return true;
}
