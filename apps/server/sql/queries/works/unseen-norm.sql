-- One of some norms that was changed after a change that somebody saw. $1 ids as jsonb, $2 number of the change. One or none.
SELECT norm FROM norm_change WHERE norm IN (SELECT jsonb_array_elements_text($1::jsonb)) AND id > $2 ORDER BY id DESC LIMIT 1
