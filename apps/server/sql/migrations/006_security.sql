-- Who signed in or out, or tried what they may not: only ever added to.

CREATE TABLE security_record (
  id bigint GENERATED ALWAYS AS IDENTITY,
  -- The name as it was given; there may be no such account.
  actor text NOT NULL,
  address text NOT NULL,
  what text NOT NULL,
  result text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT security_record_pk PRIMARY KEY (id),
  CONSTRAINT security_record_result_known CHECK (result IN ('done', 'refused'))
);

CREATE FUNCTION keep_security() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'a security record stays as it is' USING ERRCODE = 'restrict_violation', CONSTRAINT = 'security_record_frozen';
END
$$;
CREATE TRIGGER security_record_frozen BEFORE UPDATE OR DELETE ON security_record FOR EACH ROW EXECUTE FUNCTION keep_security();

CREATE INDEX sign_in_attempt_reset_ix ON sign_in_attempt (reset_at);
