-- the house's way in questions on which practitioners disagree; every revision is kept
create table house_revision (
    revision integer primary key,
    doc jsonb not null,
    rulebook_revision integer not null,
    saved_at timestamptz not null
);
