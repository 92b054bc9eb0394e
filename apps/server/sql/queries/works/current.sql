-- The works with the norms that it has changed (last reason and name), its folds, the number of its last change, and what its suppliers ask. One or none.
SELECT works_today() AS answered FROM works
