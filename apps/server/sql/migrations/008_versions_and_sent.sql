-- Versions of what several people write, and what was sent with a key: sent twice is done once.

ALTER TABLE holding ADD COLUMN version integer NOT NULL DEFAULT 1;
ALTER TABLE finished_lot ADD COLUMN version integer NOT NULL DEFAULT 1;

CREATE TABLE sent_request (
  account_id integer NOT NULL,
  key text NOT NULL,
  -- Of the endpoint and the body: another request may not use the key.
  fingerprint text NOT NULL,
  -- Null while the first one is under way.
  answer jsonb,
  sent_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT sent_request_pk PRIMARY KEY (account_id, key),
  CONSTRAINT sent_request_account_fk FOREIGN KEY (account_id) REFERENCES account (id)
);
CREATE INDEX sent_request_sent_ix ON sent_request (sent_at);
