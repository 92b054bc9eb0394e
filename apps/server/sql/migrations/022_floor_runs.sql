-- Schedules tell the inks of every wash-up, what an hour is worth, and what comes of the other half of a delivery: those kept before know of neither.
-- Feeds of the schedule for the calendars of people: one each, known by the hash of its token.

UPDATE floor_schedule SET body = '{"rough": false}'::jsonb || jsonb_set(
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

-- Plans of the floor that somebody has asked for: each waits in a queue, is made by one instance, and tells how far it is.
CREATE TABLE floor_run (
  id integer GENERATED ALWAYS AS IDENTITY,
  -- In the queue.
  queued uuid NOT NULL,
  effort text NOT NULL,
  seed integer NOT NULL,
  state text NOT NULL DEFAULT 'waiting',
  ends boolean NOT NULL DEFAULT false,
  -- Which time it was begun: an instance that was taken for lost tells nothing more.
  begun integer NOT NULL DEFAULT 0,
  tried integer NOT NULL DEFAULT 0,
  schedule_id integer,
  problem text,
  asked_by integer NOT NULL,
  asked_at timestamptz NOT NULL DEFAULT now(),
  seen_at timestamptz,
  CONSTRAINT floor_run_pk PRIMARY KEY (id),
  CONSTRAINT floor_run_state_known CHECK (state IN ('waiting', 'running', 'done', 'failed')),
  CONSTRAINT floor_run_schedule_fk FOREIGN KEY (schedule_id) REFERENCES floor_schedule (id) ON DELETE SET NULL,
  CONSTRAINT floor_run_account_fk FOREIGN KEY (asked_by) REFERENCES account (id)
);
CREATE INDEX floor_run_open ON floor_run (id) WHERE state IN ('waiting', 'running');
CREATE INDEX floor_run_schedule ON floor_run (schedule_id);
