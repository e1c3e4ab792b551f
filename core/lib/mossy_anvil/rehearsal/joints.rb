# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # The cracks of a piece that were filled or glued, and the speed at which the pull of its own spin opens each again.
    #
    # s = k rho w2 R2
    #
    # s pull round the turn (Pa), rho density (kg/m3), w rad/s, R largest radius (m), of the whole blank until it is
    # hollowed; k is 1 in a thin wall and (3 + 0.3) / 8 at the axis of a solid disc, where it is most (Poisson's ratio
    # 0.3). It opens where s is more than its filling bears. Sources: thin ring and solid disc in rotation, as in any
    # table of strength of materials.
    class Joints
      Joint = Struct.new(:id, :opens_rpm, keyword_init: true)
      WALL, DISC = 1.0, (3 + 0.3) / 8

      # blank: Model::Blank as it truly is; strength: of its wood over what the tables say, which its fillings' own
      # shares are told beside; hollow: is it turned as a wall?
      def initialize(blank, strength:, hollow:)
        @blank = blank
        @strength = strength
        @share = hollow ? WALL : DISC
        @radius_mm = hollow && blank.form ? blank.form.outside.largest_mm : blank.shape.max_radius_mm
      end

      # List of Joint.
      def to_a
        pulled.map { |path| Joint.new(id: path.id, opens_rpm: rpm(path.bond_mpa * @strength * 1e6)) }
      end

      private

      # Those that run along the axis, or from it outwards; the pull round the turn is along the others.
      def pulled = @blank.defects.select { |defect| defect.path? && defect.holds? && !round?(defect) }

      def round?(path)
        samples = path.samples(@blank.shape)
        return false if samples.size < 2

        turns = ClockAngle.short_turns(samples.clock_deg[1..] - samples.clock_deg[0...-1]) * ClockAngle::RADIANS
        around = (turns * samples.radius_mm[1..]).abs.sum
        along = [samples.z_mm, samples.radius_mm].map { |values| (values[1..] - values[0...-1]).abs.sum }
        around > along.max
      end

      def rpm(bond_pa)
        rho = @blank.material.density_kg_m3
        Mechanics::RPM * Math.sqrt(bond_pa / (@share * rho)) / (@radius_mm / 1000.0)
      end
    end
  end
end
