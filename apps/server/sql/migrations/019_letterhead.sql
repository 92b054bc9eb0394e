-- The picture at the head of papers that leave the works: one, or none.
CREATE TABLE works_logo (
  id boolean NOT NULL DEFAULT true,
  -- A data URL, looked at before it was kept.
  logo text NOT NULL,
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT works_logo_pk PRIMARY KEY (id),
  CONSTRAINT works_logo_one CHECK (id),
  CONSTRAINT works_logo_account_fk FOREIGN KEY (changed_by) REFERENCES account (id)
);
