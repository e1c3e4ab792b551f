# frozen_string_literal: true

require "argon2"

module MossyAnvil
  module Server
    module Store
      # Passwords, sessions and the record of log-ins; the tables are Rodauth's, which reads and writes them too.
      class LogIns
        LEAST_LENGTH = 12
        MOST_LENGTH = 128

        def initialize(db)
          @db = db
        end

        # Raises InvalidInput where it is too short or easily guessed. Whoever was in by the old one is out.
        def set_password(person_id, password, now)
          name = @db[:people].where(id: person_id).get(:name) or
            raise NotFound, Problems.text("refused.there_is_no_person", id: person_id)
          check(password, name)
          hash = Argon2::Password.new.create(password)
          @db.transaction do
            @db[:account_password_hashes].insert_conflict(target: :id, update: { password_hash: hash }).insert(
              id: person_id,
              password_hash: hash
            )
            end_all(person_id, now)
            note(person_id, "change_password")
          end
        end

        # Is it that person's? Of one who has none, any is.
        def password?(person_id, password)
          hash = @db[:account_password_hashes].where(id: person_id).get(:password_hash) or return true
          Argon2::Password.verify_password(password.to_s, hash)
        end

        # Has that person one-time codes?
        def codes?(person_id) = @db[:account_otp_keys].where(id: person_id).any?

        # From now on by that secret; nil: without codes.
        def use_codes(person_id, secret)
          @db.transaction do
            had = @db[:account_otp_keys].where(id: person_id).delete.positive?
            @db[:account_otp_keys].insert(id: person_id, key: secret) if secret
            note(person_id, secret ? "codes on" : "codes off") if secret || had
          end
        end

        # Out everywhere: sessions and devices.
        def end_all(person_id, now)
          @db[:account_active_session_keys].where(account_id: person_id).delete
          @db[:devices].where(person_id: person_id, revoked_at: nil).update(revoked_at: now)
        end

        # Adds a line to the record.
        def note(person_id, what) = @db[:account_authentication_audit_logs].insert(account_id: person_id, message: what)

        # The newest of it: [{ person:, what:, at: }].
        def record(most)
          @db[:account_authentication_audit_logs]
            .join(:people, id: :account_id)
            .select(Sequel[:people][:name].as(:person), Sequel[:message].as(:what), :at)
            .reverse(:at, Sequel[:account_authentication_audit_logs][:id])
            .limit(most)
            .map { |row| { **row, at: row[:at].utc.iso8601 } }
        end

        # Can any owner get in, by password or by device?
        def owner_can?
          owners = @db[:people].where(role: "owner").select(:id)
          @db[:account_password_hashes].where(id: owners).any? ||
            @db[:devices].where(person_id: owners, revoked_at: nil).any?
        end

        # The most used passwords there are, as Rodauth brings them.
        def self.common
          @common ||= File.foreach(File.expand_path(COMMON, $LOAD_PATH.grep(RODAUTH).first), chomp: true).to_set
        end

        RODAUTH = %r{/rodauth-[^/]+/lib\z}
        COMMON = "../dict/top-10_000-passwords.txt"
        private_constant :RODAUTH, :COMMON

        private

        def check(password, name)
          problem =
            if password.length < LEAST_LENGTH
              "is_too_short_a_password"
            elsif password.downcase.include?(name.downcase)
              "is_a_password_with_the_name"
            elsif LogIns.common.include?(password.downcase)
              "is_a_common_password"
            end
          return unless problem

          raise MossyAnvil::InvalidInput.at(
                  "/password",
                  MossyAnvil::Fault.t(problem),
                  MossyAnvil::Fault.t("a_password_of_letters", least: LEAST_LENGTH, most: MOST_LENGTH)
                )
        end
      end
    end
  end
end
