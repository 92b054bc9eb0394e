-- Programs work with the works as people do, with a role, and come in by a token in the place of a password.
ALTER TABLE account ADD COLUMN program boolean NOT NULL DEFAULT false;

-- The token of a program, kept as a hash: one at a time.
CREATE TABLE program_token (
  token_hash text NOT NULL,
  account_id integer NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  -- None for one that holds until it is withdrawn.
  expires_at timestamptz,
  -- When it was last used, about.
  used_at timestamptz,
  CONSTRAINT program_token_pk PRIMARY KEY (token_hash),
  CONSTRAINT program_token_account_unique UNIQUE (account_id),
  CONSTRAINT program_token_account_fk FOREIGN KEY (account_id) REFERENCES account (id)
);
