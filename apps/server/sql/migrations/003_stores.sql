-- Paper and rolls on hand, what jobs have reserved of them, and how every lot changed.

CREATE TABLE holding (
  id integer GENERATED ALWAYS AS IDENTITY,
  -- Stock, size and grain as core knows them (PaperItem), and the key that needs are told by.
  paper jsonb NOT NULL,
  key text NOT NULL,
  -- Sheets, or full rolls.
  quantity double precision NOT NULL,
  place text NOT NULL,
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT holding_pk PRIMARY KEY (id),
  CONSTRAINT holding_account_fk FOREIGN KEY (changed_by) REFERENCES account (id),
  CONSTRAINT holding_quantity_not_negative CHECK (quantity >= 0)
);
CREATE INDEX holding_key_ix ON holding (key) WHERE quantity > 0;

CREATE TABLE holding_change (
  id integer GENERATED ALWAYS AS IDENTITY,
  holding_id integer NOT NULL,
  quantity_before double precision NOT NULL,
  quantity_after double precision NOT NULL,
  reason text NOT NULL,
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT holding_change_pk PRIMARY KEY (id),
  CONSTRAINT holding_change_holding_fk FOREIGN KEY (holding_id) REFERENCES holding (id),
  CONSTRAINT holding_change_account_fk FOREIGN KEY (changed_by) REFERENCES account (id)
);
CREATE INDEX holding_change_holding_ix ON holding_change (holding_id, id DESC);

CREATE TABLE reservation (
  job_id integer NOT NULL,
  key text NOT NULL,
  quantity double precision NOT NULL,
  reserved_by integer NOT NULL,
  reserved_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT reservation_pk PRIMARY KEY (job_id, key),
  CONSTRAINT reservation_job_fk FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT reservation_account_fk FOREIGN KEY (reserved_by) REFERENCES account (id),
  CONSTRAINT reservation_quantity_above_zero CHECK (quantity > 0)
);
