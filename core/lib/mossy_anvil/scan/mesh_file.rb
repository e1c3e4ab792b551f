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
        refuse(at, "is #{bytes.bytesize} bytes", "at most #{MOST_BYTES}") if bytes.bytesize > MOST_BYTES
        corners = binary_stl?(bytes) ? from_binary(bytes, at) : from_text(bytes, at)
        refuse(at, "holds no triangles", "an STL or OBJ file of a closed surface") if corners.nil? || corners.empty?
        refuse(at, "holds numbers that are none", "finite lengths") unless corners.isfinite.all?
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
          refuse(at, "is neither text nor a binary STL of the length it says", "an STL or OBJ file")
        end
        bytes.byteslice(0, 200).lstrip.start_with?("solid") ? from_stl_text(bytes, at) : from_obj(bytes, at)
      end

      def from_stl_text(bytes, at)
        so_far = 0
        parts =
          slices(bytes, "vertex", at).map do |text|
            numbers_after("vertex", text.split, at).tap { |found| few_enough((so_far += found.size) / 9, at) }
          end
        refuse(at, "breaks off within a triangle", "three corners of three numbers each") unless (so_far % 9).zero?
        Numo::DFloat.hstack(parts).reshape(so_far / 9, 3, 3) if so_far.positive?
      end

      def from_obj(bytes, at)
        bytes = bytes.squeeze("\r\n")
        lines = bytes.count("\n")
        refuse(at, "holds #{lines} lines", "at most #{MOST_LINES}: thin the scan out first") if lines > MOST_LINES

        places, faces = [], []
        bytes.each_line { |line| take_line(line, places, faces, at) }
        corners = places.size / 3
        few_enough(faces.size / 3, at)
        return if faces.empty?

        if faces.max >= corners
          refuse(at, "has a face with a corner that comes to nothing", "1 to #{corners}, the corners there are")
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

        refuse(at, "has a line of #{line.bytesize} bytes", "at most #{MOST_LINE_BYTES}: faces of a few corners each")
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
          refuse(at, "has a face with the corner #{Fault.shown(corner)}", "1 or more, or -1 and less for the last ones")
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
              refuse(at, "holds no corner in #{to - from} bytes", "a scan of triangles")
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
        refuse(at, "has a corner without three numbers", "x, y and z") unless text
        Float(text, exception: false) || refuse(at, "holds #{Fault.shown(text)}", "a number")
      end

      def few_enough(triangles, at)
        if triangles > MOST_TRIANGLES
          refuse(at, "holds #{triangles} triangles", "at most #{MOST_TRIANGLES}: thin the scan out first")
        else
          triangles
        end
      end

      def refuse(at, problem, allowed) = raise(InvalidInput, [Fault.new(path: at, problem: problem, allowed: allowed)])
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
