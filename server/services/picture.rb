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
            refuse(
              MossyAnvil::Fault.t("is_neither_a_jpeg_nor_a_png"),
              MossyAnvil::Fault.t("a_photograph_as_jpeg_or_png")
            )
          end
          image = opened(bytes)
          @bytes = image.jpegsave_buffer(Q: QUALITY, strip: true, optimize_coding: true)
          @width_px, @height_px = image.width, image.height
          if @bytes.bytesize > MOST_KEPT_BYTES
            refuse(
              MossyAnvil::Fault.t("comes_to_bytes_as_it_is_kept", bytes: @bytes.bytesize),
              MossyAnvil::Fault.t("at_most_a_smaller_picture", most: MOST_KEPT_BYTES)
            )
          end
        rescue Vips::Error => e
          unreadable(e)
        end

        def sha256 = Digest::SHA256.hexdigest(bytes)

        private

        def take_as_it_is(bytes, sha256)
          unless Digest::SHA256.hexdigest(bytes) == sha256
            refuse(
              MossyAnvil::Fault.t("is_another_picture_than_its_name_says"),
              MossyAnvil::Fault.t("the_picture_of_that_sum")
            )
          end
          unless bytes.b.start_with?(STARTS.first)
            refuse(MossyAnvil::Fault.t("is_no_jpeg"), MossyAnvil::Fault.t("a_jpeg"))
          end
          # Nothing that was put behind the picture comes along.
          @bytes =
            bytes.b.byteslice(
              0,
              JpegEnd.of(bytes.b) || refuse(MossyAnvil::Fault.t("breaks_off"), MossyAnvil::Fault.t("a_whole_jpeg"))
            )
          take_image(Vips::Image.new_from_buffer(@bytes, "", fail_on: :truncated))
        rescue Vips::Error => e
          unreadable(e)
        end

        def take_image(image)
          @width_px, @height_px = image.width, image.height
          if [image.width, image.height].max > MOST_PX
            refuse(
              MossyAnvil::Fault.t("is_so_many_dots", width: image.width, height: image.height),
              MossyAnvil::Fault.t("at_most_either_way", most: MOST_PX)
            )
          end
          if image.get_fields.grep(/\A(exif|xmp|iptc|orientation)/).any?
            refuse(
              MossyAnvil::Fault.t("says_more_than_it_shows"),
              MossyAnvil::Fault.t("a_picture_without_what_the_camera_wrote")
            )
          end
          # Read to its end.
          image.avg
        end

        def unreadable(error) =
          refuse(
            MossyAnvil::Fault.t("cannot_be_read_as_a_picture", why: error.message.lines.first.to_s.strip[0, 80]),
            MossyAnvil::Fault.t("a_whole_jpeg_or_png_file")
          )

        # One that comes in passes, coarse to fine, is held whole while it is read.
        def refuse_large_passes(sent)
          bytes = sent.width * sent.height * sent.bands * (sent.format == :uchar ? 1 : 2) * 2
          return unless sent.get_fields.include?("interlaced") && bytes > MOST_HELD_BYTES

          refuse(
            MossyAnvil::Fault.t("is_by_dots_and_comes_in_passes", width: sent.width, height: sent.height),
            MossyAnvil::Fault.t("one_so_large_saved_without_or_a")
          )
        end

        # Turned as its camera held it, made smaller where it is large, without transparency.
        def opened(bytes)
          sent = Vips::Image.new_from_buffer(bytes, "", fail_on: :truncated, access: :sequential)
          if sent.width * sent.height > MOST_SENT_PX
            refuse(
              MossyAnvil::Fault.t("is_so_many_dots", width: sent.width, height: sent.height),
              MossyAnvil::Fault.t("at_most_million_dots", most: MOST_SENT_PX / 1_000_000)
            )
          end
          refuse_large_passes(sent)
          image = sent.thumbnail_image(MOST_PX, height: MOST_PX, size: :down)
          image = image.flatten(background: 255) if image.has_alpha?
          image.colourspace(:srgb)
        end

        def refuse(problem, allowed) = raise MossyAnvil::InvalidInput.at("/file", problem, allowed)
      end
    end
  end
end
