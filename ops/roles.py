"""The two roles of a database: the owner migrates, restores and tests; the app serves as one that cannot rewrite what was written."""

from enum import StrEnum


class Role(StrEnum):
    """A database role, by its name."""

    OWNER = "outer_test_owner"
    SERVING = "outer_test_serving"


def make_role(role: Role, password: str) -> str:
    """The statement that makes a role, or sets its password. Neither is a superuser; the owner makes databases, for tests."""
    may = "CREATEDB" if role is Role.OWNER else "NOCREATEDB"
    about = f"LOGIN NOSUPERUSER {may} NOCREATEROLE PASSWORD '{password}'"
    return f"""
DO $$ BEGIN
  IF EXISTS (SELECT 1 FROM pg_roles WHERE rolname = '{role}') THEN ALTER ROLE {role} {about}; ELSE CREATE ROLE {role} {about}; END IF;
END $$"""


def hand_over(database: str) -> str:
    """The statement that gives a database, and all that is in it, to the owner: one from before there were two roles was the
    superuser's."""
    owner = Role.OWNER.value
    return f"""
ALTER DATABASE {database} OWNER TO {owner};
ALTER SCHEMA public OWNER TO {owner};
DO $$ DECLARE it record; BEGIN
  FOR it IN SELECT c.oid::regclass AS name FROM pg_class c
    WHERE c.relnamespace = 'public'::regnamespace AND c.relkind IN ('r', 'p', 'v') AND c.relowner <> '{owner}'::regrole
  LOOP EXECUTE format('ALTER TABLE %s OWNER TO {owner}', it.name); END LOOP;
  FOR it IN SELECT c.oid::regclass AS name FROM pg_class c
    WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'S' AND c.relowner <> '{owner}'::regrole
  LOOP EXECUTE format('ALTER SEQUENCE %s OWNER TO {owner}', it.name); END LOOP;
  FOR it IN SELECT p.oid::regprocedure AS name FROM pg_proc p LEFT JOIN pg_depend d ON d.objid = p.oid AND d.deptype = 'e'
    WHERE p.pronamespace = 'public'::regnamespace AND d.objid IS NULL AND p.proowner <> '{owner}'::regrole
  LOOP EXECUTE format('ALTER FUNCTION %s OWNER TO {owner}', it.name); END LOOP;
END $$"""
