-- What happens to a job in the plate room, ink room and at the press: only ever added to.

CREATE TABLE press_room_record (
  id integer GENERATED ALWAYS AS IDENTITY,
  job_id integer NOT NULL,
  event jsonb NOT NULL,
  -- Of events about a carrier: what a reorder finds it by, and what it was.
  carrier_key text,
  carrier jsonb,
  entered_by integer NOT NULL,
  entered_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT press_room_record_pk PRIMARY KEY (id),
  CONSTRAINT press_room_record_job_fk FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT press_room_record_account_fk FOREIGN KEY (entered_by) REFERENCES account (id),
  CONSTRAINT press_room_record_carrier_whole CHECK ((carrier_key IS NULL) = (carrier IS NULL))
);
CREATE INDEX press_room_record_job_ix ON press_room_record (job_id, id);
CREATE INDEX press_room_record_carrier_ix ON press_room_record (carrier_key, id DESC) WHERE carrier_key IS NOT NULL;

CREATE FUNCTION keep_press_room() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'a press room record stays as it is' USING ERRCODE = 'restrict_violation', CONSTRAINT = 'press_room_record_frozen';
END
$$;
CREATE TRIGGER press_room_record_frozen BEFORE UPDATE OR DELETE ON press_room_record FOR EACH ROW EXECUTE FUNCTION keep_press_room();
