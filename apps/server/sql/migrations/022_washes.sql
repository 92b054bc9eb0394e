-- Schedules tell the inks of every wash-up, what an hour is worth, and what comes of the other half of a delivery: those kept before know of neither.
-- Feeds of the schedule for the calendars of people: one each, known by the hash of its token.

UPDATE floor_schedule SET body = jsonb_set(
  jsonb_set(body, '{slots}', coalesce(
    (SELECT jsonb_agg('{"washes": [], "dear": 0}'::jsonb || slot ORDER BY place)
     FROM jsonb_array_elements(body -> 'slots') WITH ORDINALITY AS of_slots (slot, place)), '[]')),
  '{late}', coalesce(
    (SELECT jsonb_agg(jsonb_set(late, '{helps}', coalesce(
        (SELECT jsonb_agg('{"rest": 0}'::jsonb || help ORDER BY h)
         FROM jsonb_array_elements(late -> 'helps') WITH ORDINALITY AS of_helps (help, h)), '[]')) ORDER BY l)
     FROM jsonb_array_elements(body -> 'late') WITH ORDINALITY AS of_late (late, l)), '[]'));

CREATE TABLE floor_feed (
  account_id integer NOT NULL,
  token_hash text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  CONSTRAINT floor_feed_pk PRIMARY KEY (account_id),
  CONSTRAINT floor_feed_token_key UNIQUE (token_hash),
  CONSTRAINT floor_feed_account_fk FOREIGN KEY (account_id) REFERENCES account (id)
);
