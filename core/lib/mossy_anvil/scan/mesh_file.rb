# frozen_string_literal: true

module MossyAnvil
  module Scan
    # Reads a scan: STL, binary or as text, or OBJ. Only the shape is taken; colours, normals and names are passed over.
    module MeshFile
      MOST_TRIANGLES = 250_000
      MOST_BYTES = 60_000_000
      # Header, count, and one triangle: twelve floats and two bytes, little end first.
      HEADER, RECORD = 84, 50
      # Text read at a time: little is held at once, and what is done with is soon let go.
      SLICE_BYTES = 500_000
      # Between one corner and the next there is never so much else.
      GAP_BYTES = 20_000
      # An OBJ file of as many triangles as are read has fewer lines, and a face fewer corners and letters.
      MOST_LINES = 2_000_000
      MOST_LINE_BYTES = 20_000

      module_function

      # bytes of a file to a Mesh, lengths times `scale` to mm. Raises InvalidInput at `at`.
      def read(bytes, scale: 1.0, at: "")
        if bytes.bytesize > MOST_BYTES
          refuse(at, Fault.t("is_bytes", bytes: bytes.bytesize), Fault.t("at_most", limit: MOST_BYTES))
        end
        corners = binary_stl?(bytes) ? from_binary(bytes, at) : from_text(bytes, at)
        refuse(at, Fault.t("holds_no_triangles"), Fault.t("an_stl_or_obj_file_of_a")) if corners.nil? || corners.empty?
        refuse(at, Fault.t("holds_numbers_that_are_none"), Fault.t("finite_lengths")) unless corners.isfinite.all?
        Mesh.new(corners * scale)
      end

      # The length a binary file must have by its own count tells it from text, whatever it starts with.
      def binary_stl?(bytes) = bytes.bytesize >= HEADER && bytes.bytesize == HEADER + (RECORD * count(bytes))
      def count(bytes) = bytes.byteslice(80, 4).unpack1("V")

      def from_binary(bytes, at)
        triangles = few_enough(count(bytes), at)
        return if triangles.zero?

        records = Numo::UInt8.from_binary(bytes.byteslice(HEADER, RECORD * triangles)).reshape(triangles, RECORD)
        Numo::DFloat.cast(Numo::SFloat.from_binary(records[true, 12...48].dup.to_binary)).reshape(triangles, 3, 3)
      end

      def from_text(bytes, at)
        if bytes.byteslice(0, 4000).match?(/[^\t\r\n -~]/n)
          refuse(at, Fault.t("is_neither_text_nor_a_binary_stl"), Fault.t("an_stl_or_obj_file"))
        end
        bytes.byteslice(0, 200).lstrip.start_with?("solid") ? from_stl_text(bytes, at) : from_obj(bytes, at)
      end

      def from_stl_text(bytes, at)
        so_far = 0
        parts =
          slices(bytes, "vertex", at).map do |text|
            numbers_after("vertex", text.split, at).tap { |found| few_enough((so_far += found.size) / 9, at) }
          end
        unless (so_far % 9).zero?
          refuse(at, Fault.t("breaks_off_within_a_triangle"), Fault.t("three_corners_of_three_numbers_each"))
        end
        Numo::DFloat.hstack(parts).reshape(so_far / 9, 3, 3) if so_far.positive?
      end

      def from_obj(bytes, at)
        bytes = bytes.squeeze("\r\n")
        lines = bytes.count("\n")
        if lines > MOST_LINES
          refuse(at, Fault.t("holds_lines", lines: lines), Fault.t("at_most_thin_the_scan_out_first", most: MOST_LINES))
        end

        places, faces = [], []
        bytes.each_line { |line| take_line(line, places, faces, at) }
        corners = places.size / 3
        few_enough(faces.size / 3, at)
        return if faces.empty?

        if faces.max >= corners
          refuse(at, Fault.t("has_a_face_with_a_corner_that"), Fault.t("to_the_corners_there_are", corners: corners))
        end
        Numo::DFloat.cast(places).reshape(corners, 3)[faces, true].reshape(faces.size / 3, 3, 3)
      end

      # A corner ("v") or a face ("f") more; any other line says nothing of the shape.
      def take_line(line, places, faces, at)
        short_enough(line, at)
        few_enough([faces.size, places.size].max / 9, at)
        if line.start_with?("v ", "v\t")
          places.concat(line.split.values_at(1, 2, 3).map { |text| number(text, at) })
        elsif line.start_with?("f ", "f\t")
          faces.concat(fan(line[1..].split.map { |corner| index(corner, places.size / 3, at) }))
        end
      end

      def short_enough(line, at)
        return if line.bytesize <= MOST_LINE_BYTES

        refuse(
          at,
          Fault.t("has_a_line_of_bytes", bytes: line.bytesize),
          Fault.t("at_most_faces_of_a_few_corners", most: MOST_LINE_BYTES)
        )
      end

      # A face of more corners than three is cut into a fan.
      def fan(corners) =
        (1..(corners.size - 2)).flat_map { |second| [corners[0], corners[second], corners[second + 1]] }

      # "7/2/3" or "-1" (the last corner so far) as a place in the list of corners; whether it is there is seen at the
      # end.
      def index(corner, so_far, at)
        number = corner[/\A-?\d+/].to_i
        found = number.negative? ? so_far + number : number - 1
        if found.negative?
          refuse(
            at,
            Fault.t("has_a_face_with_the_corner", given: Fault.shown(corner)),
            Fault.t("or_more_or_and_less_for_the")
          )
        else
          found
        end
      end

      # The text in slices that each but the first begin with the word.
      def slices(text, word, at)
        bounds = [0]
        while (bound = text.index(word, bounds.last + SLICE_BYTES))
          bounds << bound
        end
        [*bounds, text.bytesize].each_cons(2)
          .map do |from, to|
            if to - from > SLICE_BYTES + GAP_BYTES
              refuse(at, Fault.t("holds_no_corner_in_bytes", bytes: to - from), Fault.t("a_scan_of_triangles"))
            end
            text.byteslice(from, to - from)
          end
      end

      # The three numbers that follow a word each time, one after another.
      def numbers_after(word, words, at)
        found = []
        words.each_with_index do |here, place|
          if here == word
            found << number(words[place + 1], at) << number(words[place + 2], at) << number(words[place + 3], at)
          end
        end
        Numo::DFloat.cast(found)
      end

      def number(text, at)
        refuse(at, Fault.t("has_a_corner_without_three_numbers"), Fault.t("x_y_and_z")) unless text
        Float(text, exception: false) || refuse(at, Fault.t("holds", given: Fault.shown(text)), Fault.t("a_number"))
      end

      def few_enough(triangles, at)
        if triangles > MOST_TRIANGLES
          refuse(
            at,
            Fault.t("holds_triangles", triangles: triangles),
            Fault.t("at_most_thin_the_scan_out_first", most: MOST_TRIANGLES)
          )
        else
          triangles
        end
      end

      def refuse(at, problem, allowed) = raise InvalidInput.at(at, problem, allowed)
      private_class_method :binary_stl?,
                           :count,
                           :from_binary,
                           :from_text,
                           :from_stl_text,
                           :from_obj,
                           :fan,
                           :index,
                           :slices,
                           :numbers_after,
                           :number,
                           :few_enough,
                           :refuse
    end
  end
end
