-- what was to go on a truck, as it was made out; one sheet of a job is open at a time
create table load_sheet (
    id uuid primary key,
    job_id uuid not null references job (id),
    doc jsonb not null,
    made_by text not null,
    made_at timestamptz not null,
    closed_by text,
    closed_at timestamptz
);

create unique index load_sheet_open on load_sheet (job_id) where closed_at is null;

-- what moved: every booking's entries sum up to nothing for each product
create table stock_booking (
    id uuid primary key,
    kind text not null,
    sheet_id uuid references load_sheet (id),
    reason text not null,
    booked_by text not null,
    booked_at timestamptz not null
);

create index stock_booking_at on stock_booking (booked_at);

create table stock_entry (
    booking_id uuid not null references stock_booking (id),
    account text not null check (account in ('YARD', 'TRUCK', 'SUPPLIER', 'COUNT', 'USED')),
    place text not null,
    product text not null,
    length_m numeric(12, 3) not null,
    amount numeric(14, 3) not null
);

create index stock_entry_booking on stock_entry (booking_id);
create index stock_entry_product on stock_entry (product);

-- the sums of the entries, kept with them: nothing real is ever less than nothing
create table stock_balance (
    account text not null,
    place text not null,
    product text not null,
    length_m numeric(12, 3) not null,
    amount numeric(16, 3) not null,
    primary key (account, place, product, length_m),
    check (account not in ('YARD', 'TRUCK') or amount >= 0)
);

create table load_tick (
    sheet_id uuid not null references load_sheet (id),
    line integer not null,
    state text not null check (state in ('OPEN', 'PICKED', 'LOADED')),
    booking_id uuid references stock_booking (id),
    ticked_by text not null,
    ticked_at timestamptz not null,
    primary key (sheet_id, line)
);
