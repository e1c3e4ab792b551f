# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What lies hidden that the edge comes to at a step, as it is cut to its end.
    class EdgeMeets
      # The side of the form that is cut to its end at a kind of step.
      SIDES = { "outside" => :outside, "hollow" => :inside, "ends" => :outside }.freeze

      # form: of the piece then, or nil; kind: of the step.
      def initialize(form, kind)
        @side = SIDES[kind]
        @profile = @side && form&.public_send(@side)
      end

      # Of bodies, list of BodyDefect, the hollows that the finished skin cuts into.
      def opens(bodies)
        return [] unless @profile

        bodies.select do |body|
          body.type == "void" && body.detail[:contents] != "stone" && within?(body) &&
            (@profile.radius_mm(body.z_mm) - body.radius_mm).abs < body.size_mm[0] / 2
        end
      end

      # And the stones that it comes to: outside the form, or in its hollow.
      def stones(bodies)
        return [] unless @profile

        bodies.select do |body|
          next unless body.detail[:contents] == "stone"

          reach = within?(body) ? @profile.radius_mm(body.z_mm) : 0.0
          @side == :inside ? body.radius_mm < reach : body.radius_mm > reach
        end
      end

      private

      def within?(body) = body.z_mm.between?(@profile.first_z_mm, @profile.last_z_mm)
    end
  end
end
