-- What suppliers ask for what plans reckon with goes with the works, so that a plan takes the price of the day.

-- A supplier as the works knows it, put together when it is written: papers, and what stations use up.
ALTER TABLE supplier ADD COLUMN sold text;
CREATE FUNCTION keep_sold() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  NEW.sold := CASE WHEN coalesce(NEW.body ->> 'retired', 'false') <> 'true' THEN (
    SELECT json_build_object('id', NEW.id, 'name', NEW.name, 'prices', json_agg(price ORDER BY n))::text
    FROM jsonb_array_elements(NEW.body -> 'prices') WITH ORDINALITY AS t (price, n)
    WHERE price ->> 'item' ~ '^(paper|sheets|rolls|supplies|packing)/'
    HAVING count(*) > 0
  ) END;
  RETURN NEW;
END
$$;
CREATE TRIGGER supplier_sold BEFORE INSERT OR UPDATE ON supplier FOR EACH ROW EXECUTE FUNCTION keep_sold();
UPDATE supplier SET sold = NULL;

-- The works as it is answered, with what its suppliers ask and the day by its wall.
CREATE FUNCTION works_today() RETURNS text LANGUAGE sql STABLE AS $$
  SELECT CASE WHEN asked.sellers IS NULL THEN w.answered
    ELSE concat(left(w.answered, -1), ', "supplied": {"day": "',
      to_char(now() AT TIME ZONE coalesce(nullif(w.body ->> 'timeZone', ''), current_setting('TimeZone')), 'YYYY-MM-DD'),
      '", "sellers": [', asked.sellers, ']}}') END
  FROM works w CROSS JOIN (SELECT string_agg(sold, ', ' ORDER BY id) AS sellers FROM supplier WHERE sold IS NOT NULL) asked
$$;
