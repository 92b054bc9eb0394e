-- Number of the last change of any norm, 0 before the first. One.
SELECT coalesce(max(id), 0)::integer AS mark FROM norm_change
