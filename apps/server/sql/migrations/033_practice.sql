-- Exercises that somebody has filled: a line each time, marked by the server.
CREATE TABLE practice_result (
  id integer GENERATED ALWAYS AS IDENTITY,
  account_id integer NOT NULL,
  kind text NOT NULL,
  seed integer NOT NULL,
  grade integer NOT NULL,
  -- Share of the marks, 0 to 1.
  marks double precision NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT practice_result_pk PRIMARY KEY (id),
  CONSTRAINT practice_result_account_fk FOREIGN KEY (account_id) REFERENCES account (id),
  CONSTRAINT practice_result_marks CHECK (marks BETWEEN 0 AND 1)
);
CREATE INDEX practice_result_account ON practice_result (account_id, kind);
