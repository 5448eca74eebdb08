-- fences as they were handed over: rows are added, never changed
create table certificate (
    number integer primary key,
    -- named by whoever signed, so that sending twice makes one
    request uuid not null unique,
    job_id uuid not null references job (id),
    doc jsonb not null,
    signed_at timestamptz not null
);

create index certificate_job on certificate (job_id);

create table certificate_paper (
    number integer not null references certificate (number),
    -- the certificate itself, or the owner's card
    sheet text not null,
    paper text not null,
    pdf bytea not null,
    primary key (number, sheet, paper)
);
