-- What a revision needs and ends with, reckoned once when it is saved: everybody else reads it.

CREATE TABLE assessment (
  job_id integer NOT NULL,
  revision integer NOT NULL,
  -- The version of the revision, and the works that it was reckoned in.
  version integer NOT NULL,
  basis text NOT NULL,
  body jsonb NOT NULL,
  CONSTRAINT assessment_pk PRIMARY KEY (job_id, revision),
  CONSTRAINT assessment_revision_fk FOREIGN KEY (job_id, revision) REFERENCES revision (job_id, revision)
);
