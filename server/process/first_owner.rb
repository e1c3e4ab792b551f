# frozen_string_literal: true

module MossyAnvil
  module Server
    module Process
      # The way in for an owner where people log in and no owner can: a pairing code, told at the terminal.
      module FirstOwner
        # Words of a code that holds for an hour; nil where an owner can get in already.
        def self.code(db, now)
          return if Store::LogIns.new(db).owner_can?

          owner = Store::People.new(db).first_owner
          Store::Devices.new(db).code(owner, now.utc, lasts_s: Store::Devices::FIRST_CODE_S)
        end

        # What is said of it; here: address at which this machine is asked.
        def self.words(code, here) =
          "No owner can get in yet. Within the hour, on this machine: #{here}/pair#code=#{code.tr(" ", "-")}"
      end
    end
  end
end
