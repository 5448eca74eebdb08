-- the firm with its rates, and what the price of a job has of its own, are documents like the others
alter table document drop constraint document_kind_check,
    add constraint document_kind_check check (kind in ('plan', 'land', 'house', 'firm', 'terms'));

-- the price book: an item holds from the revision that brought it until the one that changed or took it
create table price_revision (
    revision integer primary key,
    note text not null,
    saved_by text not null,
    saved_at timestamptz not null
);

create table price_item (
    code text not null,
    doc jsonb not null,
    from_revision integer not null references price_revision (revision),
    to_revision integer references price_revision (revision),
    primary key (code, from_revision)
);

create unique index price_item_now on price_item (code) where to_revision is null;

-- quotes as they were sent: rows are added; only what the client decided is written once afterwards
create table quote (
    number integer not null,
    revision integer not null,
    -- named by whoever sent it, so that sending twice makes one
    request uuid not null unique,
    job_id uuid not null references job (id),
    doc jsonb not null,
    decision jsonb,
    sent_by text not null,
    sent_at timestamptz not null,
    decided_at timestamptz,
    primary key (number, revision)
);

create index quote_job on quote (job_id);

create table quote_paper (
    number integer not null,
    revision integer not null,
    paper text not null,
    pdf bytea not null,
    primary key (number, revision, paper),
    foreign key (number, revision) references quote (number, revision)
);
