-- Ways that the house folds its sections in, under a name each.

CREATE TABLE house_fold (
  name text NOT NULL,
  body jsonb NOT NULL,
  added_by integer NOT NULL,
  added_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT house_fold_pk PRIMARY KEY (name),
  CONSTRAINT house_fold_account_fk FOREIGN KEY (added_by) REFERENCES account (id)
);
