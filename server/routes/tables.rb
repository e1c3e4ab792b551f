# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # The tables of the trade, as the core reads them.
      module Tables
        SHOWN = %w[
          woods
          other_stock
          resins
          fillers
          mounts
          tools
          grits
          gates
          tests
          ways
          forms
          wishes
          hardeners
          glues
          drying_places
          troubles
          pigments
          supplies
          finishes
        ].freeze

        def self.registered(app)
          app.get("/api/tables/:name") do
            unless SHOWN.include?(params["name"])
              raise NotFound, Problems.text("refused.there_is_no_table", name: params["name"][0, 40].inspect)
            end

            answer(
              name: params["name"],
              source: MossyAnvil::Table[params["name"]]["source"],
              rows: MossyAnvil::Table.rows(params["name"])
            )
          end
        end
      end
    end
  end
end
