# frozen_string_literal: true

# Jobs that wait on the queue name the class that works them.
names = {
  "Loft::SearchJob" => "MossyAnvil::Server::Jobs::SearchJob",
  "Loft::TaskJob" => "MossyAnvil::Server::Jobs::TaskJob"
}.freeze

Sequel.migration do
  up { names.each { |old, new| from(:que_jobs).where(job_class: old).update(job_class: new) } }
  down { names.each { |old, new| from(:que_jobs).where(job_class: new).update(job_class: old) } }
end
