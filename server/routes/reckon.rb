# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Works out unsaved drafts; keeps nothing.
      module Reckon
        # unit, axis and end of a scan as the core has them; raises InvalidInput where one is none of those there are.
        def self.scan_options(params)
          known = {
            "unit" => MossyAnvil::Scan::ScanReport::UNITS_MM.keys,
            "axis" => MossyAnvil::Scan::ScanReport::AXES.keys,
            "end" => %w[low high]
          }
          given = known.to_h { |name, choices| [name, params.fetch(name, name == "axis" ? "z" : choices.first)] }
          faults =
            known
              .reject { |name, choices| choices.include?(given[name]) }
              .map do |name, choices|
                MossyAnvil::Fault.new(
                  path: "/#{name}",
                  problem: MossyAnvil::Fault.t("is", given: MossyAnvil::Fault.shown(given[name])),
                  allowed: choices.join(", ")
                )
              end
          raise MossyAnvil::InvalidInput, faults if faults.any?

          { unit: given["unit"], axis: given["axis"], reversed: given["end"] == "high" }
        end

        # Question asked of the body, by the end of the path.
        DOORS = {
          "/compare" => "compare",
          "/mounts" => "mounts",
          "/balance" => "balance",
          "/taps" => "taps",
          "/tests" => "tests",
          "/peel" => "peel",
          "/strip" => "strip",
          "/form" => "form",
          "/profile" => "profile",
          "/traced-profile" => "traced_profile",
          "/set-outs" => "set_outs",
          "/move" => "move",
          "/pattern" => "pattern",
          "/trace" => "trace",
          "/intake" => "intake"
        }.freeze

        def self.registered(app)
          app.post("/api/reckon") { calculated("assess", records: own_numbers.drying) }
          DOORS.each { |path, question| app.post("/api/reckon#{path}") { calculated(question) } }
          app.post("/api/reckon/tap") do
            calculated("tap", types: ["audio/wav"], most_bytes: MossyAnvil::Formats::WaveFile::MAX_BYTES)
          end
          app.post("/api/reckon/scan") do
            calculated(
              "scan",
              types: ["application/octet-stream"],
              most_bytes: MossyAnvil::Scan::MeshFile::MOST_BYTES,
              options: Reckon.scan_options(params)
            )
          end
        end
      end
    end
  end
end
