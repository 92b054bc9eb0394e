-- Addresses that are told, with how the last message to each went and how many wait. Many.
SELECT h.id, h.name, h.url, h.events, h.paused, last.last,
  (SELECT count(*)::int FROM hook_message m WHERE m.hook_id = h.id AND m.state = 'waiting') AS waiting
FROM hook h
LEFT JOIN LATERAL (
  SELECT jsonb_build_object('at', iso(m.tried_at), 'state', m.state, 'outcome', m.outcome) AS last
  FROM hook_message m WHERE m.hook_id = h.id AND m.tried_at IS NOT NULL ORDER BY m.tried_at DESC LIMIT 1
) last ON true
ORDER BY h.name
