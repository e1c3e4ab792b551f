# frozen_string_literal: true

module MossyAnvil
  module Server
    module Calculation
      # Those of Calculations' questions that are about a form, how it is laid and how it is cut.
      module FormQuestions
        def on_peel
          body = body_as("PeelAsked")
          json(
            MossyAnvil::Turn::Peel.new(blank_of(body), depth_mm: body["depth_mm"], stage: body["stage"]).to_h(
              body["rpm"]
            )
          )
        end

        def on_strip
          body = body_as("StripAsked")
          json(MossyAnvil::Turn::CutStrip.new(blank_of(body), at: "/document").to_h(body["rpm"]))
        end

        def on_form
          body = body_as("FormAsked")
          json(MossyAnvil::Model::FormMaker.new(blank_of(body).on_centres, body["kind"], body["measures"] || {}).to_h)
        end

        def on_profile
          body = body_as("ProfileAsked")
          json(
            points:
              MossyAnvil::Formats::SvgPath.new(
                body["path"],
                mm_per_unit: body.fetch("mm_per_unit", 1),
                at: "/path"
              ).profile(from_z_mm: body.fetch("from_z_mm", 0))
          )
        end

        def on_traced_profile
          body = symbols(body_as("TracedProfileAsked"))
          json(points: MossyAnvil::Scan::ProfileTrace.new(body).profile(from_z_mm: body.fetch(:from_z_mm, 0)))
        end

        def on_set_outs
          body = body_as("SetOutsAsked")
          json(MossyAnvil::Report::SetOutReport.new(blank_of(body), symbols(body.fetch("wanted", {}))).to_h)
        end

        def on_move
          body = body_as("MoveAsked")
          json(MossyAnvil::Model::PlacementMove.new(blank_of(body), symbols(body["move"]), at: "/move").to_h)
        end

        def on_pattern
          body = body_as("PatternAsked")
          json(Store::Patterns.pattern(body["form"]).laid_in(blank_of(body).on_centres, scale: body["scale"]))
        end
      end
    end
  end
end
