# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # How a rehearsal ended. event: Hazards::Event it was ended by, nil where the piece is finished; rpm: it turned at;
    # signs: those that were there before it.
    Ending = Struct.new(:event, :rpm, :signs)
  end
end
