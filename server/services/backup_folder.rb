# frozen_string_literal: true

require "fileutils"

module MossyAnvil
  module Server
    module Services
      # The folder a shop's backups stand in: which there are, and when the next is due.
      class BackupFolder
        KEPT = 14
        HOUR_S = 3600
        # One is made at night, once the last is so old, and in any case after a day; older than that it is told of.
        NIGHT_H, NIGHTLY_AFTER_H, DUE_AFTER_H, STALE_AFTER_H = 3, 12, 24, 36
        ENDING = ".dump"

        # Where they stand in this run; nil where none are made.
        def self.here = ENV["BACKUPS"]&.then { |path| new(path) }

        attr_reader :path

        # path: is made, for nobody else to read.
        def initialize(path)
          @path = path
          FileUtils.mkdir_p(path, mode: 0o700)
          FileUtils.touch(since) unless File.exist?(since)
        end

        # Paths of those there are, the last made last.
        def list = Dir[File.join(path, "*#{ENDING}")]
        # When the last was made; nil before the first.
        def last_at = list.last&.then { |file| File.mtime(file) }
        # How old the last is, hours; before the first, how long there could have been one.
        def age_h(now) = (now - (last_at || File.mtime(since))) / HOUR_S
        def due?(now) = age_h(now) >= (now.hour == NIGHT_H ? NIGHTLY_AFTER_H : DUE_AFTER_H)
        def stale?(now) = age_h(now) > STALE_AFTER_H
        # The path of one that is made then.
        def at(now) = File.join(path, "#{now.strftime("%Y%m%d-%H%M%S")}#{ENDING}")
        def drop_oldest = list[0...-KEPT].each { |old| File.delete(old) }

        private

        def since = File.join(path, ".since")
      end
    end
  end
end
