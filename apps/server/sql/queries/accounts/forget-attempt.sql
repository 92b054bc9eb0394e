-- Takes one try back (a sign-in that went well does not count). $1 key. None.
UPDATE sign_in_attempt SET hits = greatest(0, hits - 1) WHERE key = $1
