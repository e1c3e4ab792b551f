# frozen_string_literal: true

# One-time codes beside a password, of whoever wants them; the table is Rodauth's.
Sequel.migration do
  up { run <<~SQL }
      CREATE TABLE account_otp_keys (
        id bigint PRIMARY KEY REFERENCES people ON DELETE CASCADE,
        key text NOT NULL,
        num_failures integer NOT NULL DEFAULT 0,
        last_use timestamptz NOT NULL DEFAULT CURRENT_TIMESTAMP
      );
    SQL
  down { run "DROP TABLE account_otp_keys" }
end
