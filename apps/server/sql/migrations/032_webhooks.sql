-- Addresses of other programs that are told what happens.
CREATE TABLE hook (
  id integer GENERATED ALWAYS AS IDENTITY,
  name text NOT NULL,
  url text NOT NULL,
  events jsonb NOT NULL,
  -- What messages are signed with: whoever takes them has the same.
  secret text NOT NULL,
  paused boolean NOT NULL DEFAULT false,
  CONSTRAINT hook_pk PRIMARY KEY (id),
  CONSTRAINT hook_name_unique UNIQUE (name)
);

-- A message to one of them. What tries it again is the queue.
CREATE TABLE hook_message (
  id integer GENERATED ALWAYS AS IDENTITY,
  hook_id integer NOT NULL,
  event text NOT NULL,
  body text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  tries integer NOT NULL DEFAULT 0,
  state text NOT NULL DEFAULT 'waiting',
  tried_at timestamptz,
  -- How the last try ended, in words.
  outcome text NOT NULL DEFAULT '',
  CONSTRAINT hook_message_pk PRIMARY KEY (id),
  CONSTRAINT hook_message_hook_fk FOREIGN KEY (hook_id) REFERENCES hook (id) ON DELETE CASCADE,
  CONSTRAINT hook_message_state CHECK (state IN ('waiting', 'delivered', 'given up'))
);
CREATE INDEX hook_message_hook ON hook_message (hook_id, id);
