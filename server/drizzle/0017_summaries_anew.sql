-- What lists say of a student follows from rules that have changed: every summary is made anew from its file.
UPDATE summaries SET stale = 1;
