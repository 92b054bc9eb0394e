-- What people have said of the matters of the desk: done, put off, given to somebody.

CREATE TABLE desk_note (
  key text NOT NULL,
  state text NOT NULL,
  -- ISO 8601 date on which it comes again.
  until text,
  given_to integer,
  noted_by integer NOT NULL,
  noted_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT desk_note_pk PRIMARY KEY (key),
  CONSTRAINT desk_note_to_fk FOREIGN KEY (given_to) REFERENCES account (id),
  CONSTRAINT desk_note_account_fk FOREIGN KEY (noted_by) REFERENCES account (id),
  CONSTRAINT desk_note_state_known CHECK (state IN ('done', 'put off', 'given')),
  CONSTRAINT desk_note_says CHECK ((state = 'given') = (given_to IS NOT NULL) AND (state = 'given' OR until IS NOT NULL))
);
