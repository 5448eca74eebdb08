create table job (
    id uuid primary key,
    name text not null,
    client text not null,
    property text not null,
    state text not null check (state in ('ACTIVE', 'TEMPLATE', 'ARCHIVED', 'DELETED')),
    -- what a deleted job goes back to
    state_before text not null check (state_before in ('ACTIVE', 'TEMPLATE', 'ARCHIVED')),
    head_revision integer not null,
    -- counts every save, so that a save on top of an older one is noticed
    save_no bigint not null,
    created_at timestamptz not null,
    changed_at timestamptz not null
);

create table plan_revision (
    job_id uuid not null references job (id),
    revision integer not null,
    -- one sitting at the plan: its autosaves share a revision
    stretch uuid not null,
    -- a save that came too late, kept beside the line of revisions
    aside boolean not null,
    doc jsonb not null,
    rulebook_revision integer not null,
    program_version text not null,
    saved_at timestamptz not null,
    primary key (job_id, revision)
);

create table reading (
    id uuid primary key,
    job_id uuid not null references job (id),
    plan_revision integer not null,
    test_point_id text not null,
    line_id text not null,
    station_m double precision not null,
    lon_deg double precision not null,
    lat_deg double precision not null,
    wire integer not null,
    peak_v double precision not null,
    over_range boolean not null,
    range_v double precision,
    taken_at timestamptz not null,
    taken_by text not null,
    weather text not null,
    growth text not null,
    note text not null,
    corrects uuid,
    received_at timestamptz not null
);

create index reading_of_job on reading (job_id, taken_at);

create table demo_loaded (
    name text primary key
);
