# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # A rehearsal as the core plays it, from what is kept of it.
      class Rehearsing
        # What it is played on takes a second to work out, and some megabytes to hold.
        SETTINGS = MossyAnvil::Cache.new(6)

        # kept: { "setting" => { "document", "climate", "own", "now" }, "seed", "index" } as it was begun.
        def initialize(kept)
          @kept = kept
        end

        # Plain data after acts. Raises InvalidInput with pointers under `at`.
        def after(acts, at: "/acts") = report(MossyAnvil::Rehearsal::ScreenLathe.new(setting).play(acts, at: at))

        # The same after one more, which stands at `at`.
        def after_one_more(acts, act, at:)
          lathe = MossyAnvil::Rehearsal::ScreenLathe.new(setting).play(acts)
          report(lathe.play_one(act, at))
        end

        private

        def report(lathe) = MossyAnvil::Rehearsal::RehearsalReport.new(lathe).to_h
        def setting = SETTINGS.of(JSON.generate(@kept)) { made }

        def made
          given = @kept["setting"]
          MossyAnvil::Rehearsal::Setting.new(
            Reckoner.blank(given["document"], at: "/document"),
            seed: @kept["seed"],
            index: @kept["index"],
            at: "/document",
            climate: MossyAnvil::Report::ShopClimate.new(**given["climate"].transform_keys(&:to_sym)),
            now: Time.iso8601(given["now"]),
            **OwnNumbers.core(given["own"])
          )
        end
      end
    end
  end
end
