-- A job that nobody works at may be put aside: it stays, is found, and can be taken up again, but nothing is reckoned or bought for it.

-- Made anew below. PostgreSQL refuses since 15.19 to give a table a column with a default while a function with a parsed body takes its rows.
DROP FUNCTION list_line(job);
ALTER TABLE job ADD COLUMN aside boolean NOT NULL DEFAULT false;

CREATE OR REPLACE FUNCTION list_line(j job) RETURNS text LANGUAGE sql STABLE
RETURN json_build_object(
  'id', j.id, 'number', j.number, 'title', j.title, 'customer', j.customer, 'family', j.family, 'due', j.due, 'quantity', j.quantity,
  'status', CASE WHEN j.aside THEN 'aside' WHEN j.state = 'released' THEN 'released' WHEN j.revision > 1 THEN 'changed' ELSE 'draft' END,
  'revision', j.revision, 'changedAt', iso(j.changed_at), 'changedBy', (SELECT name FROM account WHERE id = j.changed_by)
)::text;

CREATE OR REPLACE FUNCTION keep_list_line() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.words := replace(NEW.words, ' put aside', '') || CASE WHEN NEW.aside THEN ' put aside' ELSE '' END;
  NEW.listed := list_line(NEW);
  RETURN NEW;
END
$$;

ALTER TABLE change_record DROP CONSTRAINT change_record_kind_known;
ALTER TABLE change_record ADD CONSTRAINT change_record_kind_known CHECK (kind IN ('reservation', 'destination', 'single-book', 'job'));
