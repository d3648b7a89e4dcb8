# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Names of a zone at which something stands when a record is what it is.
      module Pointing
        # Types whose text may name hosts: senders of mail (RFC 7208 §5), reports (RFC 7489 §6.3),
        # who is told of certificates (RFC 8659 §4.4), what a program is led to (RFC 7553 §4).
        TEXTS = %w[TXT SPF CAA URI].freeze
        # Servers whose certificates are pinned under their port: of the web (RFC 6698 §3), of mail
        # (RFC 7672 §3.1).
        WEB = %w[_443 _tcp].freeze
        MAIL = %w[_25 _tcp].freeze
        ADDRESSES = %w[A AAAA].freeze
        NOT_OF_A_NAME = /[^A-Za-z0-9_.*-]+/n

        module_function

        # record: Record; origin: Name of the zone. Returns [Name] within the zone: what its data
        # names, and where the certificate of what it names would be pinned.
        def names(record, origin)
          named = record.rdata.values.grep(Name) + written(record, origin)
          found = named + pinned(record) + next_of(record)
          found.select { |n| n != record.name && n.under?(origin) }.uniq
        end

        # Names of the zone within a text, whatever the text is for.
        def written(record, origin)
          return [] unless TEXTS.include?(record.type)

          top = origin.to_host.downcase
          words = record.rdata.values.flatten.grep(String).join.split(NOT_OF_A_NAME)
          inside = words.map { |w| w.downcase.chomp(".") }.select { |w| w.end_with?(".#{top}") }
          inside.filter_map { |word| name(word) }
        end

        # Where the certificate that belongs to a record would be pinned: at a host, at a mail
        # server, at a service (RFC 7673 §3).
        def pinned(record)
          case record.type
          when *ADDRESSES, "CNAME"
            service?(record.name) ? [] : [under(WEB, record.name)]
          when "MX"
            [under(MAIL, record.rdata.values.last)]
          when "SRV"
            [under(["_#{record.rdata.values[2]}", "_tcp"], record.rdata.values.last)]
          else
            []
          end.compact
        end

        # Where there is a second, there may be a third.
        def next_of(record)
          first, *rest = record.name.labels
          number = first.to_s[/(?<=[a-z])\d{1,2}\z/i]
          return [] unless number && ADDRESSES.include?(record.type)

          [Name.new([first.delete_suffix(number) + number.succ, *rest])]
        rescue ArgumentError
          []
        end

        def service?(name) = name.labels.first.to_s.match?(/\A[_*]/n)

        def under(labels, name)
          Name.new(labels + name.labels) unless name.labels.empty?
        rescue ArgumentError
          nil
        end

        def name(text)
          Name.parse(text)
        rescue ArgumentError
          nil
        end
        private_class_method :written, :pinned, :next_of, :service?, :under, :name
      end
    end
  end
end
