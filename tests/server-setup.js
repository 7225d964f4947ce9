/** Server tests need a real PostgreSQL; npm test starts one and says where it is. */
export default function setup() {
  if (!process.env.TEST_ADMIN_URL)
    throw new Error('TEST_ADMIN_URL is missing: run the server tests through "npm test".');
}
