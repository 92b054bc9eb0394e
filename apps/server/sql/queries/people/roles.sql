-- Roles with their rights. Many.
SELECT id, name, rights, stations FROM role ORDER BY CASE id WHEN 'manager' THEN 0 WHEN 'operator' THEN 1 WHEN 'viewer' THEN 2 ELSE 3 END, name
