# frozen_string_literal: true

module SteadyMove
  module Desk
    # DNS hosts that could take a name's records.
    module CarryHosts
      module_function

      # hosts: those that are known; dns_host: title of the present one; to: the destination's id, or nil. One that ends
      # with the account where the name goes is as good as one that stands by itself.
      def fit(hosts, dns_host:, to:)
        hosts.select do |h|
          h.title != dns_host && (h.ends_with.nil? || h.ends_with == to) && !h.id.start_with?("later-")
        end
      end

      # The one that is proposed first: where the desk itself puts the records, before one by hand; or nil.
      def usual(hosts, dns_host:, to:)
        fitting = fit(hosts, dns_host: dns_host, to: to)
        fitting.find(&:secret) || fitting.first
      end
    end
  end
end
