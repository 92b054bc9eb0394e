-- Tables whose rows are numbered by a sequence, and the sequence. Many.
SELECT table_name AS name, pg_get_serial_sequence(table_name, 'id') AS sequence
FROM information_schema.columns
WHERE table_schema = 'public' AND column_name = 'id' AND is_identity = 'YES'
