-- The plan that a release was made with: figures and layouts, deflated. Documents of a released revision come from it, so that a
-- reprint shows the same counts after the engine has changed. Revisions released before have none and are planned again.

CREATE TABLE released_plan (
  job_id integer NOT NULL,
  revision integer NOT NULL,
  plan bytea NOT NULL,
  CONSTRAINT released_plan_pk PRIMARY KEY (job_id, revision),
  CONSTRAINT released_plan_revision_fk FOREIGN KEY (job_id, revision) REFERENCES revision (job_id, revision)
);

CREATE TRIGGER released_plan_frozen BEFORE UPDATE OR DELETE ON released_plan FOR EACH ROW EXECUTE FUNCTION keep_record();
