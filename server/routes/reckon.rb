# frozen_string_literal: true

module Loft
  module Routes
    # Works out unsaved drafts; keeps nothing.
    module Reckon
      def self.symbols(data) = JSON.parse(JSON.generate(data), symbolize_names: true)

      # unit, axis and end of a scan as the core has them; raises InvalidInput where one is none of those there are.
      def self.scan_options(params)
        known = { "unit" => MossyAnvil::ScanReport::UNITS_MM.keys, "axis" => MossyAnvil::ScanReport::AXES.keys, "end" => %w[low high] }
        given = known.to_h { |name, choices| [name, params.fetch(name, name == "axis" ? "z" : choices.first)] }
        faults = known.reject { |name, choices| choices.include?(given[name]) }.map do |name, choices|
          MossyAnvil::Fault.new(path: "/#{name}", problem: "is #{MossyAnvil::SchemaFault.shown(given[name])}", allowed: choices.join(", "))
        end
        raise MossyAnvil::InvalidInput, faults if faults.any?

        { unit: given["unit"], axis: given["axis"], reversed: given["end"] == "high" }
      end

      def self.registered(app)
        whole_drafts(app)
        forms(app)
        cuts(app)
        lumps(app)
      end

      def self.whole_drafts(app)
        { "" => :assess, "/compare" => :compare, "/mounts" => :mounts }.each do |path, question|
          app.post("/api/reckon#{path}") { answer(reckoner.public_send(question, body_as("Draft")["document"], at: "/document")) }
        end
        app.post("/api/reckon/tests") { answer(tests: reckoner.next_tests(body_as("Draft")["document"], at: "/document")) }
      end

      def self.cuts(app)
        app.post("/api/reckon/peel") do
          body = body_as("PeelAsked")
          answer(MossyAnvil::Peel.new(reckoner.blank(body["document"], at: "/document"), depth_mm: body["depth_mm"], stage: body["stage"]).to_h(body["rpm"]))
        end
        app.post("/api/reckon/strip") do
          body = body_as("StripAsked")
          answer(MossyAnvil::CutStrip.new(reckoner.blank(body["document"], at: "/document"), at: "/document").to_h(body["rpm"]))
        end
      end

      def self.forms(app)
        app.post("/api/reckon/form") do
          body = body_as("FormAsked")
          answer(MossyAnvil::FormMaker.new(reckoner.blank(body["document"], at: "/document").on_centres, body["kind"], body["measures"] || {}).to_h)
        end
        app.post("/api/reckon/profile") do
          body = body_as("ProfileAsked")
          answer(points: MossyAnvil::SvgPath.new(body["path"], mm_per_unit: body.fetch("mm_per_unit", 1), at: "/path").profile(from_z_mm: body.fetch("from_z_mm", 0)))
        end
        app.post("/api/reckon/traced-profile") do
          body = Reckon.symbols(body_as("TracedProfileAsked"))
          answer(points: MossyAnvil::ProfileTrace.new(body).profile(from_z_mm: body.fetch(:from_z_mm, 0)))
        end
        app.post("/api/reckon/set-outs") do
          body = body_as("SetOutsAsked")
          answer(MossyAnvil::SetOutReport.new(reckoner.blank(body["document"], at: "/document"), Reckon.symbols(body.fetch("wanted", {}))).to_h)
        end
        app.post("/api/reckon/move") do
          body = body_as("MoveAsked")
          answer(MossyAnvil::PlacementMove.new(reckoner.blank(body["document"], at: "/document"), Reckon.symbols(body["move"]), at: "/move").to_h)
        end
      end

      def self.lumps(app)
        app.post("/api/reckon/scan") do
          bytes = body_text(["application/octet-stream"], MossyAnvil::MeshFile::MOST_BYTES)
          answer(MossyAnvil::ScanReport.new(bytes, **Reckon.scan_options(params), at: "/file").to_h)
        end
        app.post("/api/reckon/trace") { answer(MossyAnvil::Trace.new(Reckon.symbols(body_as("TraceAsked"))).to_h) }
        app.post("/api/reckon/intake") { answer(MossyAnvil::IntakeReport.new(Reckon.symbols(body_as("IntakeAsked"))).to_h) }
      end
    end
  end
end
