-- When work runs: hours of the works, what the planner fixes, schedules; and the stations of released jobs as a schedule takes them.

CREATE TABLE floor_hours (
  id boolean NOT NULL DEFAULT true,
  body jsonb NOT NULL,
  version integer NOT NULL DEFAULT 1,
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT floor_hours_pk PRIMARY KEY (id),
  CONSTRAINT floor_hours_one CHECK (id),
  CONSTRAINT floor_hours_account_fk FOREIGN KEY (changed_by) REFERENCES account (id)
);

-- Reckoned once a release, again when the engine changes.
CREATE TABLE floor_job (
  job_id integer NOT NULL,
  revision integer NOT NULL,
  engine integer NOT NULL,
  steps jsonb NOT NULL,
  CONSTRAINT floor_job_pk PRIMARY KEY (job_id, revision),
  CONSTRAINT floor_job_revision_fk FOREIGN KEY (job_id, revision) REFERENCES revision (job_id, revision)
);

CREATE TABLE floor_pin (
  job_id integer NOT NULL,
  step text NOT NULL,
  machine text,
  -- By the clock on the wall of the works.
  start_at text,
  reason text,
  pinned_by integer NOT NULL,
  pinned_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT floor_pin_pk PRIMARY KEY (job_id, step),
  CONSTRAINT floor_pin_job_fk FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT floor_pin_account_fk FOREIGN KEY (pinned_by) REFERENCES account (id),
  CONSTRAINT floor_pin_fixes CHECK (machine IS NOT NULL OR start_at IS NOT NULL)
);

CREATE TABLE floor_schedule (
  id integer GENERATED ALWAYS AS IDENTITY,
  state text NOT NULL DEFAULT 'trial',
  -- What it was made of, hashed: jobs, hours, pins, works.
  basis text NOT NULL,
  body jsonb NOT NULL,
  made_by integer NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT floor_schedule_pk PRIMARY KEY (id),
  CONSTRAINT floor_schedule_state_known CHECK (state IN ('trial', 'in force', 'past')),
  CONSTRAINT floor_schedule_account_fk FOREIGN KEY (made_by) REFERENCES account (id)
);
CREATE UNIQUE INDEX floor_schedule_one_in_force ON floor_schedule (state) WHERE state = 'in force';
