-- Whoever saw prices before there was a right to see them goes on seeing them.
UPDATE role SET rights = rights || '["prices"]'::jsonb WHERE NOT rights ? 'prices';
