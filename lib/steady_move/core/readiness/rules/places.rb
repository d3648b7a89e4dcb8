# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      module Rules
        # The destination, the DNS, and what else hangs on the losing account.
        module Places
          TO_SOMEWHERE = :destination.to_proc

          UNSERVED =
            Rule.of(asked: TO_SOMEWHERE, towards: []) do |_, _, about|
              taken = about.destination.suffixes
              if taken&.none? { |s| about.name.under?(s) }
                Rules.standing({ to: about.destination.title, suffix: about.name.suffix })
              end
            end

          # Nobody wrote down what the registry of this suffix wants: what the record shows is
          # judged, and said to rest on less.
          UNLISTED =
            Rule.of do |_, _, about|
              [
                [ALWAYS, EVER, nil, { suffix: about.name.suffix }],
                Rules.unknown(ALWAYS, EVER, :suffix_rules)
              ]
            end

          # The family lists the suffix, and not all of its values: that makes no name ready.
          VALUES =
            Rule.of(asked: ->(about) { about.family.not_known.to_a.any? }) do |_, _, about|
              open = about.family.not_known.map { |key| :"suffix_#{key.tr("-", "_")}" }
              [
                [ALWAYS, EVER, nil, { suffix: about.name.suffix }],
                Rules.unknown(ALWAYS, EVER, *open)
              ]
            end

          # The public record named another registrar than the account's when it was looked up.
          OTHER_REGISTRAR =
            Rule.of do |facts, _, _|
              Rules.standing({ shown: facts[:other_registrar] }) if facts[:other_registrar]
            end

          NO_PAYMENT =
            Rule.of(asked: TO_SOMEWHERE, towards: []) do |_, entry, about|
              to = about.destination
              if to.can_pay == false
                Rules.standing({ to: to.title, why: to.why_not || entry.words["none"] })
              end
            end

          DNS_LEAVES =
            Rule.of(:zone_ends_with_account) do |facts, _, _|
              host = facts[:zone_ends_with_account]
              host = facts[:name_servers].to_a.first if host == true # as a person noted it
              Rules.standing({ host: host }) if host
            end

          # DS at the registry, and the name servers will change, because they leave.
          SIGNED =
            Rule.of(:signed, rests_on: %w[dns-leaves]) do |facts, _, about|
              Rules.standing if facts[:signed] && about.hits.include?("dns-leaves")
            end

          HOST_OBJECTS =
            Rule.of do |facts, _, _|
              hosts = Array(facts[:hosts_for_others])
              Rules.standing({ hosts: hosts.join(", ") }) if hosts.any?
            end

          TIED =
            Rule.of do |facts, _, _|
              tied = Array(facts[:tied_services])
              Rules.standing({ services: tied.join(", ") }) if tied.any?
            end

          PREMIUM = Rule.of { |facts, _, _| facts[:premium] ? Rules.standing : nil }

          RULES = {
            "suffix-unserved" => UNSERVED,
            "suffix-unlisted" => UNLISTED,
            "suffix-values" => VALUES,
            "other-registrar" => OTHER_REGISTRAR,
            "no-payment" => NO_PAYMENT,
            "dns-leaves" => DNS_LEAVES,
            "signed" => SIGNED,
            "host-objects" => HOST_OBJECTS,
            "tied-services" => TIED,
            "premium" => PREMIUM
          }.freeze
        end
      end
    end
  end
end
