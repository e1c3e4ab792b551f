# frozen_string_literal: true

module MossyAnvil
  module Formats
    # The form at 1 : 1 to hold against the wood: the half section with its axis and stations, and beside it the card of
    # a gauge, its edge the outside and, a little wider, the edge that must not go on yet. SVG 1.1, sizes in mm.
    class FormTemplate
      include Drawing

      EVERY_MM = 10
      BETWEEN_MM = 16

      # blank: as surveyed, with a form.
      def initialize(blank, every_mm: EVERY_MM)
        @blank = blank.on_centres
        @form = @blank.form
        @every_mm = every_mm
        @low, @high = @form.z_span_mm
        @reach_mm = @form.outside.largest_mm
      end

      # Text of the drawing: z runs to the right from the head end, radius down from the axis.
      def svg
        sheet(
          @form.length_mm,
          (2 * @reach_mm) + BETWEEN_MM + gauge["back"],
          letter("form"),
          [
            axis,
            *stations,
            profile("outside", @form.outside),
            *(profile("inside", @form.inside) if @form.hollow?),
            *gauge_card
          ]
        )
      end

      private

      def gauge = Table["set_outs"]["gauge_mm"]
      def place(z_mm, r_mm) = [z_mm - @low, r_mm]
      def axis = %(<path id="axis" stroke-dasharray="8 2 1 2" d="#{along([place(@low - 4, 0), place(@high + 4, 0)])}"/>)

      def profile(name, own)
        places = own.polyline.map { |z_mm, r_mm| place(z_mm, r_mm) }
        %(<path id="#{name}" stroke-width="0.5" d="#{along(places)}"/>)
      end

      def stations
        (0..(@form.length_mm / @every_mm).floor).flat_map do |step|
          z_mm = @low + (step * @every_mm)
          radius = @form.outside.radius_mm(z_mm)
          x_mm, = place(z_mm, 0)
          [
            %(<path stroke-width="0.15" d="#{along([[x_mm, 0], [x_mm, radius]])}"/>),
            %(<text x="#{mm(x_mm + 0.6)}" y="#{
              mm([radius - 1, 3].max)
            }" font-size="2.6" fill="#000" stroke="none">#{short(2 * radius)}</text>)
          ]
        end
      end

      # The card lies below: its upper edge is cut along the outside.
      def gauge_card
        drop = @reach_mm + BETWEEN_MM
        edge = @form.outside.polyline.map { |z_mm, r_mm| [z_mm - @low, drop + r_mm] }
        floor = drop + @reach_mm + gauge["back"]
        card = [*edge, [@form.length_mm, floor], [0, floor]]
        no_go = wider(gauge["no_go"]).map { |z_mm, r_mm| [z_mm - @low, drop + r_mm] }
        [
          %(<path id="gauge" stroke-width="0.5" d="#{along(card)}Z"/>),
          %(<path id="no-go" stroke-dasharray="2 1" d="#{along(no_go)}"/>),
          word(@form.length_mm / 2, floor - 4, letter("gauge", mm: gauge["no_go"]))
        ]
      end

      # The outside pushed out square to itself.
      def wider(by_mm)
        line = @form.outside.polyline
        line.each_with_index.map do |(z_mm, r_mm), index|
          (z0, r0), (z1, r1) = line[[index - 1, 0].max], line[[index + 1, line.size - 1].min]
          long = Math.hypot(z1 - z0, r1 - r0)
          [z_mm - ((r1 - r0) / long * by_mm), r_mm + ((z1 - z0) / long * by_mm)]
        end
      end
    end
  end
end
