# frozen_string_literal: true

module MossyAnvil
  module Shop
    # Somebody who works. id: unique in the shop. hours: WorkingHours.
    Worker = Struct.new(:id, :hours, keyword_init: true)
  end
end
