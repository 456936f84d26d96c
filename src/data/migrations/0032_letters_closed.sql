-- Private links that stood in letters are not kept in clear any more; whoever they were sent to has them.
UPDATE message SET body = regexp_replace(body, 'https?://[^[:space:]]*/b/[A-Za-z0-9_-]{43}[^[:space:]]*', '[private link]', 'g');
