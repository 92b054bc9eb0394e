-- Destinations with their days on the road. Many.
SELECT name, days FROM destination ORDER BY name
