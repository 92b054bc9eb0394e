-- Numbers of jobs that begin so. $1 beginning. Many.
SELECT number FROM job WHERE starts_with(number, $1)
