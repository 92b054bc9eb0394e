-- People of a works: roles as sets of rights, invitations and recovery by links, a second factor, what everybody did.

CREATE TABLE role (
  id text NOT NULL,
  name text NOT NULL,
  rights jsonb NOT NULL,
  CONSTRAINT role_pk PRIMARY KEY (id),
  CONSTRAINT role_name_unique UNIQUE (name)
);
INSERT INTO role (id, name, rights) VALUES
  -- Whoever manages may do everything, what comes later too: the server knows this role by its id.
  ('manager', 'Manager', '[]'),
  ('operator', 'Operator', '["record", "stores"]'),
  ('viewer', 'Viewer', '[]');

ALTER TABLE account DROP CONSTRAINT account_role_known;
ALTER TABLE account ADD CONSTRAINT account_role_fk FOREIGN KEY (role) REFERENCES role (id);
-- Who is invited has no password yet.
ALTER TABLE account ALTER COLUMN password_hash DROP NOT NULL;
ALTER TABLE account ADD COLUMN disabled_at timestamptz;
-- Second factor: its secret, the last step that was used, and what is left of the recovery codes, hashed.
ALTER TABLE account ADD COLUMN totp_secret text, ADD COLUMN totp_step bigint, ADD COLUMN recovery_codes jsonb;

-- A link that lets somebody choose a password, once: kept as a hash.
CREATE TABLE account_link (
  token_hash text NOT NULL,
  account_id integer NOT NULL,
  expires_at timestamptz NOT NULL,
  CONSTRAINT account_link_pk PRIMARY KEY (token_hash),
  CONSTRAINT account_link_account_fk FOREIGN KEY (account_id) REFERENCES account (id)
);
CREATE INDEX account_link_account_ix ON account_link (account_id);

-- What was written by whom: a line for every call that changes something, only ever added to.
CREATE TABLE audit_record (
  id bigint GENERATED ALWAYS AS IDENTITY,
  -- The name of then: a line stays though whoever wrote it is renamed, or the works is brought back.
  by text NOT NULL,
  what text NOT NULL,
  -- Of which job, machine, person.
  subject text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT audit_record_pk PRIMARY KEY (id)
);
CREATE TRIGGER audit_record_frozen BEFORE UPDATE OR DELETE ON audit_record FOR EACH ROW EXECUTE FUNCTION keep_record();
CREATE INDEX security_record_actor_ix ON security_record (actor, id DESC);
