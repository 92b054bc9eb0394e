-- Whoever records may keep the book of accountable work; a works takes the right from whom it likes.
UPDATE role SET rights = rights || '["accountable"]'::jsonb WHERE rights ? 'record' AND NOT rights ? 'accountable';

-- Entries that count, as core's roomState has them: what takes another back may have been held itself, and counts where somebody
-- has explained it.
CREATE OR REPLACE FUNCTION standing_entries() RETURNS TABLE (
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
    AND NOT EXISTS (
      SELECT 1 FROM book_entry held
      JOIN book_entry said ON said.job_id = held.job_id AND said.event ->> 'kind' IN ('take-back', 'strike', 'settled')
        AND said.event ->> 'kind' = 'settled' AND (said.event ->> 'record')::integer = held.id
        AND (said.event ->> 'taken')::boolean
      WHERE held.job_id = e.job_id AND held.event ->> 'kind' IN ('count', 'good', 'held') AND held.event ->> 'kind' = 'held'
        AND held.event #>> '{entry,kind}' IN ('take-back', 'strike') AND (held.event #>> '{entry,record}')::integer = e.id
    )
    AND (e.event ->> 'kind' <> 'held' OR (
      e.event #>> '{entry,kind}' NOT IN ('take-back', 'strike') AND (
        SELECT (said.event ->> 'taken')::boolean FROM book_entry said
        WHERE said.job_id = e.job_id AND said.event ->> 'kind' IN ('take-back', 'strike', 'settled')
          AND said.event ->> 'kind' = 'settled' AND (said.event ->> 'record')::integer = e.id
        ORDER BY said.id DESC LIMIT 1
      )
    ))
$$;
