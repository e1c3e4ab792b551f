# frozen_string_literal: true

module MossyAnvil
  module Server
    # Whoever asks something of the server: a person of the shop with that person's rights, and the device they are at.
    # Where nobody logs in, whoever sits at the machine may do everything and has no name.
    Caller =
      Struct.new(:id, :name, :role, :device, keyword_init: true) do
        # Has this one at least the rights of that role?
        def may?(least) = Caller::ROLES.index(role) >= Caller::ROLES.index(least)
      end

    # From who may least to who may most: a viewer looks; a learner works, logs and surveys; a maker answers for the
    # stores, the machines and what a card was stopped for; an owner for the people and the whole.
    Caller::ROLES = %w[viewer learner maker owner].freeze
    Caller::ALONE = Caller.new(role: "owner").freeze
    # Where a request carries it.
    Caller::KEY = "mossy_anvil.caller"
  end
end
