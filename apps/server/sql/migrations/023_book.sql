-- The book of the floor: what the press room's records were becomes its first entries. Every entry carries the hash of the one
-- before it over its own text; what is asked of it comes out of that text, so that there is nothing beside it to be changed.

CREATE TABLE book_entry (
  id integer NOT NULL,
  -- RFC 8785; of entries from before the book, as PostgreSQL writes them.
  canon text NOT NULL,
  before bytea NOT NULL,
  sha256 bytea NOT NULL,
  -- The name that the device gave it: sent again, it is known.
  uid text NOT NULL GENERATED ALWAYS AS (canon::jsonb ->> 'uid') STORED,
  job_id integer NOT NULL GENERATED ALWAYS AS ((canon::jsonb ->> 'job')::integer) STORED,
  event jsonb NOT NULL GENERATED ALWAYS AS (canon::jsonb -> 'event') STORED,
  -- Of entries about a carrier: what a reorder finds it by, and what it was.
  carrier_key text GENERATED ALWAYS AS (canon::jsonb #>> '{carrier,key}') STORED,
  carrier jsonb GENERATED ALWAYS AS (canon::jsonb #> '{carrier,note}') STORED,
  device text GENERATED ALWAYS AS (canon::jsonb ->> 'device') STORED,
  entered_by integer NOT NULL GENERATED ALWAYS AS ((canon::jsonb ->> 'by')::integer) STORED,
  -- Milliseconds since 1970 UTC in the text.
  happened_at timestamptz NOT NULL GENERATED ALWAYS AS (to_timestamp((canon::jsonb ->> 'happened')::double precision / 1000)) STORED,
  entered_at timestamptz NOT NULL GENERATED ALWAYS AS (to_timestamp((canon::jsonb ->> 'entered')::double precision / 1000)) STORED,
  CONSTRAINT book_entry_pk PRIMARY KEY (id),
  CONSTRAINT book_entry_uid_unique UNIQUE (uid),
  -- Nothing follows the same entry twice: the chain cannot fork.
  CONSTRAINT book_entry_before_unique UNIQUE (before),
  CONSTRAINT book_entry_hash_unique UNIQUE (sha256),
  CONSTRAINT book_entry_hash CHECK (sha256 = sha256(before || convert_to(id::text || E'\n' || canon, 'UTF8'))),
  CONSTRAINT book_entry_job_fk FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT book_entry_account_fk FOREIGN KEY (entered_by) REFERENCES account (id)
);
CREATE INDEX book_entry_job_ix ON book_entry (job_id, id);
CREATE INDEX book_entry_carrier_ix ON book_entry (carrier_key, id DESC) WHERE carrier_key IS NOT NULL;
CREATE INDEX book_entry_counted_ix ON book_entry (job_id, (event ->> 'step'), id) WHERE event ->> 'kind' IN ('count', 'good', 'held');
CREATE INDEX book_entry_undone_ix ON book_entry (job_id, ((event ->> 'record')::integer)) WHERE event ->> 'kind' IN ('take-back', 'strike', 'settled');

-- One writer at a time puts an entry behind the last: what comes without its place gets it here, what brings it (a restore)
-- has to fit.
CREATE FUNCTION chain_entry() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE last record;
BEGIN
  PERFORM pg_advisory_xact_lock(hashtext('book'));
  SELECT id, sha256 INTO last FROM book_entry ORDER BY id DESC LIMIT 1;
  IF NEW.id IS NULL THEN
    NEW.id := coalesce(last.id, 0) + 1;
    NEW.before := coalesce(last.sha256, ''::bytea);
    NEW.sha256 := sha256(NEW.before || convert_to(NEW.id::text || E'\n' || NEW.canon, 'UTF8'));
  ELSIF NEW.id <= coalesce(last.id, 0) OR NEW.before <> coalesce(last.sha256, ''::bytea) THEN
    RAISE EXCEPTION 'entry % does not follow the last one of the book', NEW.id USING ERRCODE = 'restrict_violation', CONSTRAINT = 'book_entry_chain';
  END IF;
  RETURN NEW;
END
$$;
CREATE TRIGGER book_entry_chain BEFORE INSERT ON book_entry FOR EACH ROW EXECUTE FUNCTION chain_entry();

DO $$
DECLARE
  r record;
  hash bytea := '';
  text_of text;
  next_hash bytea;
BEGIN
  FOR r IN SELECT * FROM press_room_record ORDER BY id LOOP
    text_of := jsonb_strip_nulls(jsonb_build_object(
      'uid', 'record-' || r.id, 'job', r.job_id, 'by', r.entered_by,
      'happened', floor(extract(epoch FROM r.entered_at) * 1000), 'entered', floor(extract(epoch FROM r.entered_at) * 1000),
      'event', r.event,
      'carrier', CASE WHEN r.carrier_key IS NULL THEN NULL ELSE jsonb_build_object('key', r.carrier_key, 'note', r.carrier) END
    ))::text;
    next_hash := sha256(hash || convert_to(r.id::text || E'\n' || text_of, 'UTF8'));
    INSERT INTO book_entry (id, canon, before, sha256) VALUES (r.id, text_of, hash, next_hash);
    hash := next_hash;
  END LOOP;
END
$$;

CREATE TRIGGER book_entry_frozen BEFORE UPDATE OR DELETE ON book_entry FOR EACH ROW EXECUTE FUNCTION keep_record();

DROP FUNCTION standing_records();
DROP TABLE press_room_record;

-- Entries that count, as core's roomState has them: not taken back or struck through; what was held as it was entered, where
-- somebody has explained it.
CREATE FUNCTION standing_entries() RETURNS TABLE (
  id integer, job_id integer, event jsonb, carrier_key text, carrier jsonb, entered_at timestamptz
) LANGUAGE sql STABLE AS $$
  SELECT e.id, e.job_id, CASE WHEN e.event ->> 'kind' = 'held' THEN e.event -> 'entry' ELSE e.event END,
    e.carrier_key, e.carrier, e.entered_at
  FROM book_entry e
  WHERE e.event ->> 'kind' NOT IN ('take-back', 'strike', 'settled')
    AND NOT EXISTS (
      SELECT 1 FROM book_entry back
      WHERE back.job_id = e.job_id AND back.event ->> 'kind' IN ('take-back', 'strike', 'settled')
        AND back.event ->> 'kind' <> 'settled' AND (back.event ->> 'record')::integer = e.id
    )
    AND (e.event ->> 'kind' <> 'held' OR (
      SELECT (said.event ->> 'taken')::boolean FROM book_entry said
      WHERE said.job_id = e.job_id AND said.event ->> 'kind' IN ('take-back', 'strike', 'settled')
        AND said.event ->> 'kind' = 'settled' AND (said.event ->> 'record')::integer = e.id
      ORDER BY said.id DESC LIMIT 1
    ))
$$;

-- Good pieces of each counted step: the last count of all so far, and what was added since; the last entry of them.
CREATE FUNCTION counted_steps() RETURNS TABLE (job_id integer, step text, good numeric, id integer) LANGUAGE sql STABLE AS $$
  SELECT c.job_id, c.step,
    coalesce(sum(c.pieces) FILTER (WHERE c.id = c.base), 0) + coalesce(sum(c.pieces) FILTER (WHERE c.kind = 'good' AND c.id > coalesce(c.base, 0)), 0),
    max(c.id)
  FROM (
    SELECT s.job_id, s.event ->> 'step' AS step, s.event ->> 'kind' AS kind, s.id,
      (CASE WHEN s.event ->> 'kind' = 'count' THEN s.event ->> 'good' ELSE s.event ->> 'count' END)::numeric AS pieces,
      max(s.id) FILTER (WHERE s.event ->> 'kind' = 'count') OVER (PARTITION BY s.job_id, s.event ->> 'step') AS base
    FROM standing_entries() s
    WHERE s.event ->> 'kind' IN ('count', 'good')
  ) c
  GROUP BY c.job_id, c.step
$$;

-- Whoever may release may explain what the book holds back.
UPDATE role SET rights = rights || '["explain"]'::jsonb WHERE rights ? 'release' AND NOT rights ? 'explain';
