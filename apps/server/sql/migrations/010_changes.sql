-- How reservations, destinations and single books came to be as they are: only ever added to. A lot's place has a history too.

CREATE TABLE change_record (
  id bigint GENERATED ALWAYS AS IDENTITY,
  kind text NOT NULL,
  -- What was changed, among others of its kind.
  subject text NOT NULL,
  -- As it was and is; null where it was not there.
  before jsonb,
  after jsonb,
  changed_by integer NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT change_record_pk PRIMARY KEY (id),
  CONSTRAINT change_record_account_fk FOREIGN KEY (changed_by) REFERENCES account (id),
  CONSTRAINT change_record_kind_known CHECK (kind IN ('reservation', 'destination', 'single-book'))
);
CREATE INDEX change_record_subject_ix ON change_record (kind, subject, id DESC);

ALTER TABLE holding_change ADD COLUMN place_before text, ADD COLUMN place_after text;
ALTER TABLE single_book ADD COLUMN version integer NOT NULL DEFAULT 1;

-- One guard for everything that is only added to; it says which by the trigger's name.
CREATE FUNCTION keep_record() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'a record of % stays as it is', TG_TABLE_NAME USING ERRCODE = 'restrict_violation', CONSTRAINT = TG_NAME;
END
$$;
DROP TRIGGER press_room_record_frozen ON press_room_record;
DROP TRIGGER security_record_frozen ON security_record;
DROP FUNCTION keep_press_room();
DROP FUNCTION keep_security();
CREATE TRIGGER press_room_record_frozen BEFORE UPDATE OR DELETE ON press_room_record FOR EACH ROW EXECUTE FUNCTION keep_record();
CREATE TRIGGER security_record_frozen BEFORE UPDATE OR DELETE ON security_record FOR EACH ROW EXECUTE FUNCTION keep_record();
CREATE TRIGGER change_record_frozen BEFORE UPDATE OR DELETE ON change_record FOR EACH ROW EXECUTE FUNCTION keep_record();
CREATE TRIGGER norm_change_frozen BEFORE UPDATE OR DELETE ON norm_change FOR EACH ROW EXECUTE FUNCTION keep_record();
CREATE TRIGGER holding_change_frozen BEFORE UPDATE OR DELETE ON holding_change FOR EACH ROW EXECUTE FUNCTION keep_record();
CREATE TRIGGER call_off_frozen BEFORE UPDATE OR DELETE ON call_off FOR EACH ROW EXECUTE FUNCTION keep_record();
