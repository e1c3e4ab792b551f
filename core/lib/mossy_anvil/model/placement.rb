# frozen_string_literal: true

module MossyAnvil
  module Model
    # One way to lay a form into a blank, told from how it lies now: so much larger, end for end or not, so far along
    # the axis, the axis itself moved and leaned.
    # scale: so many times as large; flipped: true or false; slide_mm towards the tail; x_mm, y_mm: the axis to 3 and to
    # 12 o'clock;
    # lean_x_mm, lean_y_mm: its tail end against its head end.
    Placement =
      Struct.new(:scale, :flipped, :slide_mm, :x_mm, :y_mm, :lean_x_mm, :lean_y_mm, keyword_init: true) do
        def self.present =
          new(scale: 1.0, flipped: false, slide_mm: 0.0, x_mm: 0.0, y_mm: 0.0, lean_x_mm: 0.0, lean_y_mm: 0.0)

        def with(**changes) = self.class.new(**to_h, **changes)

        # Centres of a blank with the axis moved and leaned so.
        def centres(present)
          half = [lean_x_mm / 2, lean_y_mm / 2]
          moved = ->(from, sign) { from.zip([x_mm, y_mm], half).map { |old, by, lean| old + by + (sign * lean) } }
          Centres.new(head_mm: moved[present.head_mm, -1], tail_mm: moved[present.tail_mm, 1])
        end

        # The form laid so. Larger or smaller about its own middle; an inside that follows keeps its wall and floor.
        def form(form)
          middle = form.z_span_mm.sum / 2
          turn = ->(points) { points && laid(points, middle) }
          opens = flipped ? { "tail" => "head", "head" => "tail" }.fetch(form.opens) : form.opens
          Form.new(
            kind: form.kind,
            opens: opens,
            curve: form.curve,
            use: form.use,
            outside: turn[form.outside.points],
            **(form.follows ? { follows: form.follows } : { inside: turn[form.inside&.points] })
          )
        end

        private

        def laid(points, middle)
          moved =
            points.map do |z_mm, r_mm|
              [middle + slide_mm + ((z_mm - middle) * scale * (flipped ? -1 : 1)), r_mm * scale]
            end
          flipped ? moved.reverse : moved
        end
      end
  end
end
