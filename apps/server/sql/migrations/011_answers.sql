-- What is read most is put together by the database: the works with its norms, and how many jobs there are.

CREATE FUNCTION iso(at timestamptz) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE
RETURN to_char(at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"');

-- The works as core plans for it: what it is, its folds, and the norms that it has changed, with who and why.
CREATE FUNCTION works_with(body jsonb) RETURNS jsonb LANGUAGE sql STABLE
RETURN body
  || jsonb_build_object(
    'mark', (SELECT coalesce(max(id), 0) FROM norm_change),
    'norms', (
      SELECT coalesce(jsonb_object_agg(n.id, jsonb_build_object(
        'value', n.value,
        'source', jsonb_build_object('label', 'set by user', 'note', a.name || CASE WHEN c.reason = '' THEN '' ELSE ': ' || c.reason END)
      )), '{}')
      FROM norm n
      JOIN LATERAL (SELECT reason, changed_by FROM norm_change WHERE norm = n.id ORDER BY id DESC LIMIT 1) c ON true
      JOIN account a ON a.id = c.changed_by
    )
  )
  || coalesce((SELECT jsonb_build_object('folds', jsonb_agg(jsonb_build_object('name', f.name) || f.body ORDER BY f.name)) FROM house_fold f HAVING count(*) > 0), '{}');

-- It is put together when it changes, not when it is read.
ALTER TABLE works ADD COLUMN answered text;

CREATE FUNCTION keep_works() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.answered := works_with(NEW.body)::text;
  RETURN NEW;
END
$$;
CREATE TRIGGER works_answered BEFORE INSERT OR UPDATE ON works FOR EACH ROW EXECUTE FUNCTION keep_works();

CREATE FUNCTION renew_works() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE works SET answered = NULL;
  RETURN NULL;
END
$$;
-- A norm is set before its change is noted.
CREATE TRIGGER norm_change_renews AFTER INSERT ON norm_change FOR EACH STATEMENT EXECUTE FUNCTION renew_works();
CREATE TRIGGER house_fold_renews AFTER INSERT OR DELETE ON house_fold FOR EACH STATEMENT EXECUTE FUNCTION renew_works();
UPDATE works SET answered = NULL;

-- Jobs are never taken away: how many there are is counted as they come.
CREATE TABLE job_total (
  id integer NOT NULL DEFAULT 1,
  count integer NOT NULL,
  CONSTRAINT job_total_pk PRIMARY KEY (id),
  CONSTRAINT job_total_only_one CHECK (id = 1)
);
INSERT INTO job_total (count) SELECT count(*) FROM job;

CREATE FUNCTION count_jobs() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE job_total SET count = count + (SELECT count(*) FROM made);
  RETURN NULL;
END
$$;
CREATE TRIGGER job_counted AFTER INSERT ON job REFERENCING NEW TABLE AS made FOR EACH STATEMENT EXECUTE FUNCTION count_jobs();

-- A line of the list of jobs as it is answered, so that a page is put together of what is there. Who changed it is told by the name of then.
ALTER TABLE job ADD COLUMN listed text;

CREATE FUNCTION list_line(j job) RETURNS text LANGUAGE sql STABLE
RETURN json_build_object(
  'id', j.id, 'number', j.number, 'title', j.title, 'customer', j.customer, 'family', j.family, 'due', j.due, 'quantity', j.quantity,
  'status', CASE WHEN j.state = 'released' THEN 'released' WHEN j.revision > 1 THEN 'changed' ELSE 'draft' END,
  'revision', j.revision, 'changedAt', iso(j.changed_at), 'changedBy', (SELECT name FROM account WHERE id = j.changed_by)
)::text;

CREATE FUNCTION keep_list_line() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.listed := list_line(NEW);
  RETURN NEW;
END
$$;
CREATE TRIGGER job_listed BEFORE UPDATE ON job FOR EACH ROW EXECUTE FUNCTION keep_list_line();
UPDATE job SET listed = NULL;

-- What a job needs, as it is answered in the needs of all jobs.
ALTER TABLE assessment ADD COLUMN answered text;

CREATE FUNCTION keep_answered() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.answered := concat('"needs":', NEW.body -> 'needs', ',"problems":', NEW.body -> 'problems');
  RETURN NEW;
END
$$;
CREATE TRIGGER assessment_answered BEFORE INSERT OR UPDATE ON assessment FOR EACH ROW EXECUTE FUNCTION keep_answered();
UPDATE assessment SET answered = NULL;
