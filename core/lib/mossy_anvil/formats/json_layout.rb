# frozen_string_literal: true

module MossyAnvil
  module Formats
    # JSON laid out for people: keys in the order of the job, short groups on one line, whole numbers without a point.
    # The same data always gives the same text, so that two files can be compared line by line.
    module JsonLayout
      WIDTH = 140
      ORDER = %w[
        format
        version
        name
        number
        intake
        origin
        cost
        got_on
        bark
        worth
        outcome
        hours
        rate
        commission
        due_on
        words
        material
        kind
        species
        character
        density_kg_m3
        moisture_pct
        grain
        grain_clock_deg
        pith
        shape
        id
        type
        group
        found_on
        chosen
        enters
        path
        centre
        clock_deg
        r_mm
        z_mm
        size_mm
        depth_mm
        found_by
        depth_range_mm
        diameter_mm
        width_mm
        height_mm
        length_mm
        stations
        radii_mm
        centre_offset_mm
        defects
        through
        mend
        contents
        grade
        hole_diameter_mm
        holes_per_cm2
        bubble_diameter_mm
        bubbles_per_cm3
        bonded_share
        of
        readings
        value
        found
        at
        taken_at
        by
        form
        opens
        use
        outside
        inside
        curve
        lathe
        mass_kg
        ballast_kg
        stand
        swing_mm
        between_centres_mm
        belts
        min_rpm
        max_rpm
      ].each_with_index.to_h.freeze

      module_function

      # String-keyed plain data to text, with a line end. The outermost group always opens over lines.
      def text(data) = "#{opened(data, "")}\n"

      def laid_out(node, indent)
        short = one_line(node)
        short.size + indent.size <= WIDTH || !node.is_a?(Enumerable) || node.empty? ? short : opened(node, indent)
      end

      def opened(node, indent)
        deeper = "#{indent}  "
        parts =
          if node.is_a?(Hash)
            in_order(node).map { |key, child| "#{JSON.generate(key)}: #{laid_out(child, deeper)}" }
          else
            node.map { |child| laid_out(child, deeper) }
          end
        parts
          .map { |part| deeper + part }
          .join(",\n")
          .then { |body| node.is_a?(Hash) ? "{\n#{body}\n#{indent}}" : "[\n#{body}\n#{indent}]" }
      end

      def one_line(node)
        case node
        when Hash
          "{#{in_order(node).map { |key, child| "#{JSON.generate(key)}: #{one_line(child)}" }.join(", ")}}"
        when Array
          "[#{node.map { |child| one_line(child) }.join(", ")}]"
        when Float
          JSON.generate(node == node.to_i ? node.to_i : node)
        else
          JSON.generate(node)
        end
      end

      def in_order(group) = group.sort_by.with_index { |(key, _), index| [ORDER.fetch(key, ORDER.size), index] }
    end
  end
end
