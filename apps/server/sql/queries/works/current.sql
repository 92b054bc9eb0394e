-- The works with the norms that it has changed (last reason and name), its folds, and the number of its last change. One or none.
SELECT answered FROM works
