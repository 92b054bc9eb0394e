-- What the works as it is answered is known by, so that who holds it already need not be sent it again.
ALTER TABLE works ADD COLUMN answered_mark text GENERATED ALWAYS AS (md5(answered)) STORED;
ALTER TABLE supplier ADD COLUMN sold_mark text GENERATED ALWAYS AS (md5(sold)) STORED;

-- The day of the works by its wall.
CREATE FUNCTION works_day(w works) RETURNS text LANGUAGE sql STABLE AS $$
  SELECT to_char(now() AT TIME ZONE coalesce(nullif(w.body ->> 'timeZone', ''), current_setting('TimeZone')), 'YYYY-MM-DD')
$$;

-- The works as it is answered, with what its suppliers ask and the day by its wall.
CREATE OR REPLACE FUNCTION works_today() RETURNS text LANGUAGE sql STABLE AS $$
  SELECT CASE WHEN asked.sellers IS NULL THEN w.answered
    ELSE concat(left(w.answered, -1), ', "supplied": {"day": "', works_day(w), '", "sellers": [', asked.sellers, ']}}') END
  FROM works w CROSS JOIN (SELECT string_agg(sold, ', ' ORDER BY id) AS sellers FROM supplier WHERE sold IS NOT NULL) asked
$$;

-- Changes when that does: with the day only where suppliers ask prices.
CREATE FUNCTION works_mark() RETURNS text LANGUAGE sql STABLE AS $$
  SELECT md5(concat_ws(' ', w.answered_mark, CASE WHEN asked.marks IS NOT NULL THEN works_day(w) END, asked.marks))
  FROM works w CROSS JOIN (SELECT string_agg(sold_mark, ' ' ORDER BY id) AS marks FROM supplier WHERE sold IS NOT NULL) asked
$$;
