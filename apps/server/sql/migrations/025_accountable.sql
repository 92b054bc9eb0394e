-- Whoever records may keep the book of accountable work; a works takes the right from whom it likes.
UPDATE role SET rights = rights || '["accountable"]'::jsonb WHERE rights ? 'record' AND NOT rights ? 'accountable';
