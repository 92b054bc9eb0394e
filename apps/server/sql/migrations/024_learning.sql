-- What became of the stations of a job that are through: out of the book, and made again whenever it says more of them.
CREATE TABLE job_outcome (
  job_id integer NOT NULL,
  -- The last entry that it was made by.
  up_to integer NOT NULL,
  finished boolean NOT NULL,
  steps jsonb NOT NULL,
  CONSTRAINT job_outcome_pk PRIMARY KEY (job_id),
  CONSTRAINT job_outcome_job_fk FOREIGN KEY (job_id) REFERENCES job (id)
);
-- Entries that a station is closed by, opened again, or otherwise added up.
CREATE INDEX book_entry_closing_ix ON book_entry (job_id, id)
  WHERE event ->> 'kind' IN ('step-closed', 'step-opened', 'count', 'take-back', 'strike', 'settled');
-- What happened in the last weeks: readings, spoils, faults.
CREATE INDEX book_entry_happened_ix ON book_entry (happened_at);

-- What was decided of proposals for norms, and up to which entry of the book they went.
CREATE TABLE norm_decision (
  id bigint GENERATED ALWAYS AS IDENTITY,
  norm text NOT NULL,
  taken boolean NOT NULL,
  value_before double precision NOT NULL,
  value_proposed double precision NOT NULL,
  up_to integer NOT NULL,
  reason text NOT NULL,
  decided_by integer NOT NULL,
  decided_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT norm_decision_pk PRIMARY KEY (id),
  CONSTRAINT norm_decision_account_fk FOREIGN KEY (decided_by) REFERENCES account (id)
);
CREATE TRIGGER norm_decision_frozen BEFORE UPDATE OR DELETE ON norm_decision FOR EACH ROW EXECUTE FUNCTION keep_record();
