# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # A search for placements as it is asked for: the draft, wishes, and what may change.
      module Placing
        PARTS = 2

        module_function

        # PlacementSearch; raises InvalidInput with pointers into what was asked.
        def search(asked)
          wishes = asked["wishes"].map { |wish| { key: wish["key"], weight: wish["weight"], of: wish["of"] } }
          MossyAnvil::Placing::PlacementSearch.new(
            blank(asked),
            wishes,
            freedoms: freedoms(asked),
            flip: asked.fetch("flip", true),
            seed: asked.fetch("seed", 1)
          )
        end

        def blank(asked) = Reckoner.blank(asked["document"], at: "/document")

        def freedoms(asked)
          groups = {
            "slide" => %i[slide_mm],
            "centre" => %i[x_mm y_mm],
            "tilt" => %i[lean_x_mm lean_y_mm],
            "size" => %i[scale]
          }
          asked.fetch("may_change", groups.keys).flat_map { |name| groups.fetch(name) }
        end

        # What was found so far as plain data, the best first. parts: as kept.
        def answers(asked, parts)
          rows = parts.flat_map { |part| JSON.parse(JSON.generate(part[:rows]), symbolize_names: true) }
          {
            present: rows.find { |row| row[:present] },
            answers: rows.empty? ? [] : MossyAnvil::Placing::PlacementSearch.different(rows, blank(asked).shape)
          }
        end
      end
    end
  end
end
