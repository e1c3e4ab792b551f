# frozen_string_literal: true

require "digest"
require "vips"

module MossyAnvil
  module Server
    module Services
      # A photograph as it is kept: a JPEG the right way up, no larger than MOST_PX either way, with nothing in it of
      # camera, place or time.
      class Picture
        MOST_SENT_PX = 50_000_000
        MOST_HELD_BYTES = 150_000_000
        MOST_KEPT_BYTES = 8_000_000
        MOST_PX = 2400
        QUALITY = 82
        # What a file begins with; nothing else is handed to the image library.
        STARTS = ["\xFF\xD8\xFF".b, "\x89PNG\r\n\x1A\n".b].freeze

        Vips.block_untrusted(true) if Vips.respond_to?(:block_untrusted)

        attr_reader :bytes, :width_px, :height_px

        # The picture that was kept before, as it is: of that sum, and nothing in it that #initialize would not have
        # left. Raises InvalidInput.
        def self.kept(bytes, sha256)
          allocate.tap { |picture| picture.send(:take_as_it_is, bytes, sha256) }
        end

        # bytes: of a JPEG or PNG file. Raises InvalidInput at /file.
        def initialize(bytes)
          unless STARTS.any? { |start| bytes.b.start_with?(start) }
            refuse("is neither a JPEG nor a PNG picture", "a photograph as JPEG or PNG")
          end
          image = opened(bytes)
          @bytes = image.jpegsave_buffer(Q: QUALITY, strip: true, optimize_coding: true)
          @width_px, @height_px = image.width, image.height
          if @bytes.bytesize > MOST_KEPT_BYTES
            refuse("comes to #{@bytes.bytesize} bytes as it is kept", "at most #{MOST_KEPT_BYTES}: a smaller picture")
          end
        rescue Vips::Error => e
          unreadable(e)
        end

        def sha256 = Digest::SHA256.hexdigest(bytes)

        private

        def take_as_it_is(bytes, sha256)
          unless Digest::SHA256.hexdigest(bytes) == sha256
            refuse("is another picture than its name says", "the picture of that sum")
          end
          refuse("is no JPEG", "a JPEG") unless bytes.b.start_with?(STARTS.first)
          # Nothing that was put behind the picture comes along.
          @bytes = bytes.b.byteslice(0, JpegEnd.of(bytes.b) || refuse("breaks off", "a whole JPEG"))
          take_image(Vips::Image.new_from_buffer(@bytes, "", fail_on: :truncated))
        rescue Vips::Error => e
          unreadable(e)
        end

        def take_image(image)
          @width_px, @height_px = image.width, image.height
          if [image.width, image.height].max > MOST_PX
            refuse("is #{image.width} by #{image.height} dots", "at most #{MOST_PX} either way")
          end
          if image.get_fields.grep(/\A(exif|xmp|iptc|orientation)/).any?
            refuse("says more than it shows", "a picture without what the camera wrote into it")
          end
          # Read to its end.
          image.avg
        end

        def unreadable(error) =
          refuse(
            "cannot be read as a picture (#{error.message.lines.first.to_s.strip[0, 80]})",
            "a whole JPEG or PNG file"
          )

        # One that comes in passes, coarse to fine, is held whole while it is read.
        def refuse_large_passes(sent)
          bytes = sent.width * sent.height * sent.bands * (sent.format == :uchar ? 1 : 2) * 2
          return unless sent.get_fields.include?("interlaced") && bytes > MOST_HELD_BYTES

          refuse(
            "is #{sent.width} by #{sent.height} dots and comes in passes (interlaced or progressive)",
            "one so large saved without, or a smaller one"
          )
        end

        # Turned as its camera held it, made smaller where it is large, without transparency.
        def opened(bytes)
          sent = Vips::Image.new_from_buffer(bytes, "", fail_on: :truncated, access: :sequential)
          if sent.width * sent.height > MOST_SENT_PX
            refuse("is #{sent.width} by #{sent.height} dots", "at most #{MOST_SENT_PX / 1_000_000} million dots")
          end
          refuse_large_passes(sent)
          image = sent.thumbnail_image(MOST_PX, height: MOST_PX, size: :down)
          image = image.flatten(background: 255) if image.has_alpha?
          image.colourspace(:srgb)
        end

        def refuse(problem, allowed) =
          raise(MossyAnvil::InvalidInput, [MossyAnvil::Fault.new(path: "/file", problem: problem, allowed: allowed)])
      end
    end
  end
end
