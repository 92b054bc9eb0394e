-- Migrations that the schema has come through, in order. Many.
SELECT name, checksum FROM migration ORDER BY name
