# frozen_string_literal: true

module MossyAnvil
  module Shop
    # One step of a piece as it takes the shop's time. id: unique in its job. hands_min, wait_min: whole minutes of
    # work, at least one, and of waiting after it. lathe: name, taken while it is worked at; equipment: keys of what it
    # takes up until its wait is over. within_min: it spoils where it is begun later than that after the one before; nil
    # where it keeps.
    JobStep =
      Struct.new(:id, :hands_min, :wait_min, :lathe, :equipment, :within_min, keyword_init: true) do
        def initialize(**given) = super(wait_min: 0, equipment: [], **given)
        # Keys of all that must be free for it.
        def needs = [*lathe, *equipment]
      end
  end
end
