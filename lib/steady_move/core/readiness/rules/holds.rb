# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      module Rules
        # What a status at the registry, a dispute or the registry's silence says.
        module Holds
          # Any of these EPP statuses stands.
          def self.with(*statuses, effect: nil)
            Rule.of(:statuses) do |facts, _, _|
              next unless facts.statuses.intersect?(statuses)

              Rules.standing({ statuses: (facts.statuses & statuses).join(", ") }, effect: effect)
            end
          end

          # Until the registry's deadline; whoever sees it pending after that has to look again.
          IN_TRANSFER =
            Rule.of(:statuses) do |facts, _, _|
              next unless facts.statuses.include?("pendingTransfer")

              ends = facts[:transfer_ends_at]&.to_i
              if ends
                [[ALWAYS, ends, nil, {}], Rules.unknown(ends, EVER, :statuses)]
              else
                Rules.standing
              end
            end

          # Rules whose remedy is an update of the name at the losing side.
          BY_UPDATE = %w[locked dns-leaves signed contact-unreachable].freeze

          # Where a person takes the lock off on the registrar's pages, these go with it: one switch
          # for four statuses (common practice).
          CLIENT = %w[clientUpdateProhibited].freeze
          # Besides EPP's own, RDAP's words that don't say whose they are (RFC 9083 §10.2.2).
          BARRING = [
            "clientUpdateProhibited",
            "serverUpdateProhibited",
            "update prohibited",
            "locked"
          ].freeze

          UPDATE_BARRED =
            Rule.of(:statuses, rests_on: BY_UPDATE) do |facts, _, about|
              next unless facts.statuses.intersect?(BARRING) && about.hit?(*BY_UPDATE)

              barred = facts.statuses & BARRING
              effect = "bar" if barred.include?("serverUpdateProhibited")
              effect ||= "caution" if facts[:one_switch] && (barred - CLIENT).empty?
              Rules.standing({ statuses: barred.join(", ") }, effect: effect)
            end

          # A list of statuses in which one is not understood shows neither that there is a lock nor
          # that there is none.
          LOCKED =
            Rule.of(:statuses, asked: ->(about) { about.family.lock != "none" }) do |facts, _, _|
              lock = facts.lock
              next if lock.no?
              next [Rules.unknown(ALWAYS, EVER, :statuses)] if lock.unknown?

              Rules.standing({ statuses: (facts.statuses & Names::Statuses::LOCKS).join(", ") })
            end

          GOING = %w[pendingDelete redemptionPeriod pendingRestore].freeze

          RULES = {
            "not-registered" =>
              Rule.of { |facts, _, _| facts[:registered] == false ? Rules.standing : nil },
            "registry-hold" => with("serverTransferProhibited"),
            "in-transfer" => IN_TRANSFER,
            "going" => with(*GOING),
            "other-pending" => with("pendingCreate", "pendingUpdate", "pendingRenew"),
            "dispute" =>
              Rule.of do |facts, _, _|
                facts[:dispute] && Rules.standing({ dispute: facts[:dispute] })
              end,
            "locked" => LOCKED,
            "on-hold" => with("clientHold", "serverHold"),
            "update-barred" => UPDATE_BARRED
          }.freeze
        end
      end
    end
  end
end
