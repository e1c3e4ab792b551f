# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # The shop's air becomes another: waits under way move with it, and everything on the rack is calculated in it.
      class AirChange
        # task: its row, asked as { "temperature_c", "humidity", "now" }; step: see RackBriefs.
        def initialize(db, task, step)
          @given = task[:asked].slice("temperature_c", "humidity").transform_keys(&:to_sym)
          @now = Time.parse(task[:asked]["now"])
          @shops = Store::Shops.new(db)
          @blanks = Store::Blanks.new(db)
          @waits = Store::Waits.new(db)
          @briefs = RackBriefs.new(db, now: @now, step: step)
        end

        def prepare = @briefs.prepare(@blanks.on_rack, climate)

        # Within a transaction; plain data.
        def apply
          before = @shops.lock_climate
          @shops.set_air(**@given)
          @waits.rescale do |wait|
            MossyAnvil::Shop::Wait.new(**wait.slice(:started_at, :earliest_at, :likely_at, :cure)).in_air(
              @now,
              before.temperature_c,
              climate.temperature_c
            )
          end
          @briefs.apply(@blanks.on_rack, climate)
          @given
        end

        private

        def climate = MossyAnvil::Report::ShopClimate.new(**@given, at: "")
      end
    end
  end
end
