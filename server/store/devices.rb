# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Phones and tablets that are paired with the shop, and the codes that pair them. Tokens and codes are kept as
      # their SHA-256 alone: a token is 32 random bytes, and a code holds for minutes and for one device.
      class Devices
        CODE_S = 300
        # The first owner's, told at the terminal.
        FIRST_CODE_S = 3600
        # How often it is noted that a device was seen.
        SEEN_S = 300

        def initialize(db)
          @db = db
        end

        def self.sum(text) = Digest::SHA256.hexdigest(text)

        # A new code for a device of that person: words to be read out or scanned. Codes that are over go.
        def code(person_id, now, lasts_s: CODE_S)
          words = PairingWords.draw
          @db[:pairings].where { ends_at < now }.delete
          @db[:pairings].insert(code_sum: Devices.sum(words), person_id: person_id, ends_at: now + lasts_s)
          words
        end

        # Pairs a device by a code, which counts once; its token, or nil where the code is none, is used or over.
        def pair(code, name, now)
          person =
            @db[:pairings]
              .where(code_sum: Devices.sum(PairingWords.plain(code)), used_at: nil)
              .where { ends_at > now }
              .returning(:person_id)
              .update(used_at: now)
              .first
          person && add(person[:person_id], name, now)
        end

        # A token for a device of that person.
        def add(person_id, name, now)
          token = SecureRandom.urlsafe_base64(32)
          about = { person_id: person_id, name: name, paired_at: now, last_seen_at: now }
          @db[:devices].insert(**about, token_sum: Devices.sum(token))
          token
        end

        # The Caller a token stands for, nil for none.
        def caller_with(token, now)
          row =
            @db[:devices]
              .where(token_sum: Devices.sum(token), revoked_at: nil)
              .join(:people, id: :person_id)
              .select(Sequel[:devices][:id].as(:device), Sequel[:devices][:last_seen_at])
              .select_append(Sequel[:people][:id], Sequel[:people][:name], Sequel[:people][:role])
              .first or return
          seen(row[:device], now) if row[:last_seen_at] < now - SEEN_S
          Caller.new(**row.slice(:id, :name, :role, :device))
        end

        # Those that may be used, of one person or of all: { id:, person:, name:, paired_at:, last_seen_at: }.
        def all(person_id: nil)
          rows = @db[:devices].where(revoked_at: nil).join(:people, id: :person_id)
          rows = rows.where(person_id: person_id) if person_id
          rows
            .order(Sequel[:devices][:id])
            .select(Sequel[:devices][:id], Sequel[:devices][:name], :paired_at, :last_seen_at)
            .select_append(Sequel[:people][:name].as(:person))
            .map { |row| { **row, **stamps(row) } }
        end

        # Of one person alone where person_id is given; raises NotFound.
        def revoke(id, now, person_id: nil)
          found = @db[:devices].where(id: id, revoked_at: nil)
          found = found.where(person_id: person_id) if person_id
          return unless found.update(revoked_at: now).zero?

          raise NotFound, Problems.text("refused.there_is_no", what: "device", id: id)
        end

        private

        def seen(id, now) = @db[:devices].where(id: id).update(last_seen_at: now)

        def stamps(row) = row.slice(:paired_at, :last_seen_at).transform_values { |time| time.utc.iso8601 }
      end
    end
  end
end
