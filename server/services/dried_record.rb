# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # What a card that was dried by has shown of its wood: how fast it dried by its own weights.
      class DriedRecord
        def initialize(blanks, climate:, now:)
          @blanks = blanks
          @climate = climate
          @now = now
        end

        # Records of a card, as Store::Cards#close takes them; empty of one without a step of drying, and where too few
        # weights tell anything.
        def of(card)
          return [] if card[:steps].none? { |told| told["do"] == "dry" }

          document = @blanks.find(card[:blank_id])[:document]
          times = Reckoner.new(@climate, now: @now).assess(document).dig(:drying, :tau_times)
          return [] unless times && MossyAnvil::Model::ShopRecords.plausible?("drying_factor", times)

          [{ kind: "drying_factor", of: document["material"]["species"], value: times }]
        end
      end
    end
  end
end
