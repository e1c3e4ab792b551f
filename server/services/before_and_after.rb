# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # Two pictures of a piece that tell its story: the first there is, and the last, of the same side where there is
      # one.
      class BeforeAndAfter
        # photographs: Store::Photographs.
        def initialize(photographs, blank_id)
          @photographs = photographs
          @blank_id = blank_id
        end

        # { before:, after: } of what is known of them; after nil of one picture alone, both nil of none.
        def shown
          all = @photographs.of(@blank_id)
          before = all.first or return { before: nil, after: nil }
          after = all.drop(1).reverse.find { |one| one[:view] == before[:view] } || all.drop(1).last
          { before: before, after: after }
        end

        # [[caption, JPEG], ...]
        def to_a
          shown.values.compact.map { |one| [one[:caption].to_s, @photographs.bytes(@blank_id, one[:id])] }
        end
      end
    end
  end
end
