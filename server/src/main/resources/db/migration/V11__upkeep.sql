-- faults as they were written down: rows are added, never changed; the last of a fault says how it stands
create table fault_note (
    id uuid primary key,
    job_id uuid not null references job (id),
    fault_id uuid not null,
    doc jsonb not null,
    noted_at timestamptz not null,
    received_at timestamptz not null
);
create index fault_note_job on fault_note (job_id);
create index fault_note_fault on fault_note (fault_id);
create index if not exists reading_job on reading (job_id);

-- rounds agreed with the client; null for the usual
alter table job add column round_days integer check (round_days between 1 and 730);
