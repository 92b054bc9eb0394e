-- Settings of the works have a history; an account chooses how its dates are written; jobs are found by their presses.

ALTER TABLE account ADD COLUMN locale text;

ALTER TABLE change_record DROP CONSTRAINT change_record_kind_known;
ALTER TABLE change_record ADD CONSTRAINT change_record_kind_known CHECK (kind IN ('reservation', 'destination', 'single-book', 'job', 'works'));

ALTER TABLE job ADD COLUMN presses jsonb;

CREATE OR REPLACE FUNCTION mirror_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE job SET
    revision = NEW.revision,
    state = NEW.state,
    title = NEW.body ->> 'title',
    customer = NEW.body ->> 'customer',
    family = NEW.body ->> 'family',
    due = NEW.body ->> 'due',
    quantity = (NEW.body -> 'order' ->> 'quantity')::double precision,
    presses = jsonb_path_query_array(NEW.body, '$.components[*].press'),
    changed_at = NEW.changed_at,
    changed_by = NEW.changed_by,
    words = lower(concat_ws(' ', NEW.body ->> 'number', NEW.body ->> 'title', NEW.body ->> 'customer', NEW.body ->> 'family',
      CASE WHEN NEW.state = 'released' THEN 'released' WHEN NEW.revision > 1 THEN 'changed' ELSE 'draft' END))
  WHERE id = NEW.job_id AND (revision IS NULL OR revision <= NEW.revision);
  RETURN NULL;
END
$$;

UPDATE job SET presses = jsonb_path_query_array(r.body, '$.components[*].press')
FROM revision r WHERE r.job_id = job.id AND r.revision = job.revision;
