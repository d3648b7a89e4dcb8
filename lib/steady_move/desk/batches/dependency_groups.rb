# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # Which names of a batch rest on each other: name servers, mail servers or targets of the one
      # lie under the other, or a contact's mailbox does. If all of them moved at once, site and
      # mail would be at stake together.
      class DependencyGroups
        # A record type whose data name a host.
        POINTING = %w[NS MX CNAME DNAME SRV].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # names: A-label texts. Returns {name => [key]} with one key for all names that rest on each
        # other.
        def groups(names)
          over = names.to_h { |n| [n, n] }
          names.each { |name| hosts(name).each { |host| join(over, name, under(host, over)) } }
          sizes = names.group_by { |n| top(over, n) }.select { |_, list| list.size > 1 }
          sizes.flat_map { |key, list| list.map { |n| [n, [key]] } }.to_h
        end

        private

        def hosts(name)
          facts = @ports.names.facts(name)
          mail =
            %i[registrant_email admin_email]
              .filter_map { |k| facts[k] }
              .map { |m| m.downcase.rpartition("@").last }
          [*facts[:name_servers], *mail, *targets(name)].uniq
        end

        def targets(name)
          copy = @ports.zone_migrations.copy_of(name) or return []
          copy
            .zone
            .content
            .select { |set| POINTING.include?(set.type) }
            .flat_map do |set|
              set.rdatas.map { |r| r.to_s.split.last.to_s.downcase.delete_suffix(".") }
            end
        end

        # The longest of the names that a host lies under, or nil.
        def under(host, over)
          labels = host.split(".")
          labels.each_index.map { |i| labels.drop(i).join(".") }.find { |n| over.key?(n) }
        end

        def join(over, name, other)
          return if other.nil? || other == name

          one, two = [top(over, name), top(over, other)].sort
          over[two] = one
        end

        def top(over, name) = over[name] == name ? name : top(over, over[name])
      end
    end
  end
end
