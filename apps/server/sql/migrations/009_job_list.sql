-- What the list of jobs shows of each, so that ten thousand are listed, sorted and searched without their bodies.

ALTER TABLE job
  ADD COLUMN revision integer,
  ADD COLUMN state text,
  ADD COLUMN title text,
  ADD COLUMN customer text,
  ADD COLUMN family text,
  ADD COLUMN due text,
  ADD COLUMN quantity double precision,
  ADD COLUMN changed_at timestamptz,
  ADD COLUMN changed_by integer,
  -- Everything that a search looks through, in small letters.
  ADD COLUMN words text;

-- The newest revision is the job, whatever wrote it.
CREATE FUNCTION mirror_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE job SET
    revision = NEW.revision,
    state = NEW.state,
    title = NEW.body ->> 'title',
    customer = NEW.body ->> 'customer',
    family = NEW.body ->> 'family',
    due = NEW.body ->> 'due',
    quantity = (NEW.body -> 'order' ->> 'quantity')::double precision,
    changed_at = NEW.changed_at,
    changed_by = NEW.changed_by,
    words = lower(concat_ws(' ', NEW.body ->> 'number', NEW.body ->> 'title', NEW.body ->> 'customer', NEW.body ->> 'family',
      CASE WHEN NEW.state = 'released' THEN 'released' WHEN NEW.revision > 1 THEN 'changed' ELSE 'draft' END))
  WHERE id = NEW.job_id AND (revision IS NULL OR revision <= NEW.revision);
  RETURN NULL;
END
$$;
CREATE TRIGGER revision_mirrored AFTER INSERT OR UPDATE ON revision FOR EACH ROW EXECUTE FUNCTION mirror_job();

UPDATE job SET
  revision = r.revision,
  state = r.state,
  title = r.body ->> 'title',
  customer = r.body ->> 'customer',
  family = r.body ->> 'family',
  due = r.body ->> 'due',
  quantity = (r.body -> 'order' ->> 'quantity')::double precision,
  changed_at = r.changed_at,
  changed_by = r.changed_by,
  words = lower(concat_ws(' ', r.body ->> 'number', r.body ->> 'title', r.body ->> 'customer', r.body ->> 'family',
    CASE WHEN r.state = 'released' THEN 'released' WHEN r.revision > 1 THEN 'changed' ELSE 'draft' END))
FROM (SELECT DISTINCT ON (job_id) * FROM revision ORDER BY job_id, revision DESC) r
WHERE r.job_id = job.id;

CREATE INDEX job_changed_ix ON job (changed_at DESC, id DESC);
