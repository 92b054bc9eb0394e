-- Where a role may enter what happens: everywhere, or at the stations of these keys.
ALTER TABLE role ADD COLUMN stations jsonb NOT NULL DEFAULT '"all"'::jsonb;
