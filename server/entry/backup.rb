# frozen_string_literal: true

# Makes one backup of the database, tries it out, and ends. Started by server/entry/launch.rb when one is due.

$stdout.sync = true
Encoding.default_external = Encoding::UTF_8
require_relative "../server"

begin
  folder = MossyAnvil::Server::Services::BackupFolder.here
  path = MossyAnvil::Server::Process::Backups.new(ENV.fetch("DATABASE_URL"), folder).make(Time.now)
  puts "Backed up to #{path}"
rescue MossyAnvil::Server::Process::Backups::Failed, Sequel::DatabaseError, SystemCallError => e
  abort("No backup was made: #{e.message.lines.first.to_s.strip}")
end
