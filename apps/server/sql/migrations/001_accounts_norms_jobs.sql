-- Accounts and sessions, the works and its norms, jobs with revisions.

CREATE TABLE account (
  id integer GENERATED ALWAYS AS IDENTITY,
  login text NOT NULL,
  name text NOT NULL,
  role text NOT NULL,
  password_hash text NOT NULL,
  demo boolean NOT NULL DEFAULT false,
  created_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT account_pk PRIMARY KEY (id),
  CONSTRAINT account_login_unique UNIQUE (login),
  CONSTRAINT account_role_known CHECK (role IN ('manager', 'operator', 'viewer'))
);

-- As connect-pg-simple wants it.
CREATE TABLE session (
  sid varchar NOT NULL,
  sess json NOT NULL,
  expire timestamp(6) NOT NULL,
  CONSTRAINT session_pk PRIMARY KEY (sid)
);
CREATE INDEX session_expire_ix ON session (expire);

CREATE TABLE sign_in_attempt (
  key text NOT NULL,
  hits integer NOT NULL,
  reset_at timestamptz NOT NULL,
  CONSTRAINT sign_in_attempt_pk PRIMARY KEY (key)
);

CREATE TABLE works (
  id integer NOT NULL DEFAULT 1,
  body jsonb NOT NULL,
  CONSTRAINT works_pk PRIMARY KEY (id),
  CONSTRAINT works_only_one CHECK (id = 1)
);

-- Norms that differ from the shipped ones. double precision: the decimals somebody typed, not sums of money.
CREATE TABLE norm (
  id text NOT NULL,
  value double precision NOT NULL,
  CONSTRAINT norm_pk PRIMARY KEY (id)
);

CREATE TABLE norm_change (
  id bigint GENERATED ALWAYS AS IDENTITY,
  norm text NOT NULL,
  value_before double precision NOT NULL,
  value_after double precision NOT NULL,
  reason text NOT NULL,
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT norm_change_pk PRIMARY KEY (id),
  CONSTRAINT norm_change_account_fk FOREIGN KEY (changed_by) REFERENCES account (id)
);
CREATE INDEX norm_change_norm_ix ON norm_change (norm, id DESC);

CREATE TABLE job (
  id integer GENERATED ALWAYS AS IDENTITY,
  number text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT job_pk PRIMARY KEY (id),
  CONSTRAINT job_number_unique UNIQUE (number)
);

CREATE TABLE revision (
  job_id integer NOT NULL,
  revision integer NOT NULL,
  state text NOT NULL DEFAULT 'draft',
  version integer NOT NULL,
  body jsonb NOT NULL,
  works jsonb,
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  released_by integer,
  released_at timestamptz,
  CONSTRAINT revision_pk PRIMARY KEY (job_id, revision),
  CONSTRAINT revision_job_fk FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT revision_changed_by_fk FOREIGN KEY (changed_by) REFERENCES account (id),
  CONSTRAINT revision_released_by_fk FOREIGN KEY (released_by) REFERENCES account (id),
  CONSTRAINT revision_state_known CHECK (state IN ('draft', 'released')),
  -- A released revision keeps the works that it was planned with, and who released it.
  CONSTRAINT revision_released_whole CHECK ((state = 'released') = (works IS NOT NULL AND released_by IS NOT NULL AND released_at IS NOT NULL))
);
CREATE UNIQUE INDEX revision_one_draft ON revision (job_id) WHERE state = 'draft';

-- What is released stays as it is, whoever asks.
CREATE FUNCTION keep_released() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'a released revision is frozen' USING ERRCODE = 'restrict_violation', CONSTRAINT = 'revision_frozen';
END
$$;
CREATE TRIGGER revision_frozen BEFORE UPDATE OR DELETE ON revision FOR EACH ROW WHEN (OLD.state = 'released') EXECUTE FUNCTION keep_released();
