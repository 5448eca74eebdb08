-- the list of jobs is read a page at a time, newest first
create index job_by_change on job (state, changed_at desc, id);
