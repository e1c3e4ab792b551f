# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # The shop and its rack.
      module Shop
        def self.registered(app)
          app.get("/api/shop") { answer(at_one_moment { Shop.shown(self) }) }
          app.put("/api/shop") do
            about = body_as("ShopName")
            shops.name_it(**about.transform_keys(&:to_sym))
            answer(about)
          end
          app.put("/api/tools") { answer(tools: Shop.take_tools(self)) }
          app.put("/api/equipment") do
            shops.equip(body_as("Equipment"))
            answer(shops.equipment)
          end
        end

        # Raises InvalidInput for a tool that is not known.
        def self.take_tools(app)
          keys = app.body_as("OwnTools")["tools"]
          MossyAnvil::Model::CuttingTool.all(keys)
          app.shops.take_tools(keys)
          app.shops.tools
        end

        def self.shown(app)
          shop, blanks = app.shops.current, app.blanks
          waits = app.waits.open.group_by { |wait| wait[:blank_id] }
          rack = blanks.rack.map { |row| Services::RackPlace.new(row, app.now, waits: waits.fetch(row[:id], [])).to_h }
          {
            name: shop[:name],
            currency: shop[:currency],
            demo: app.shops.demo?,
            climate: shop.slice(:temperature_c, :humidity),
            lathes: app.shops.lathes,
            equipment: app.shops.equipment,
            tools: app.shops.tools,
            next_number: blanks.next_number,
            put_away: blanks.put_away,
            rack: rack
          }
        end
      end
    end
  end
end
