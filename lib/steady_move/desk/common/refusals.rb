# frozen_string_literal: true

module SteadyMove
  module Desk
    module Common
      # Why a planned move can't start: sentences, empty where it can.
      class Refusals
        # The rule of a name that may expire before its move is through.
        LATE = "too-late"
        # Rules on transfers from one registrar to another; a handing over within one is none (rules
        # of the job §2).
        BETWEEN = %w[new-name recent-move registrant-change].freeze

        # judged: Portfolio::Judging::Judged towards the account; new_host: Host or nil; missing:
        # what the destination lacks, sentences.
        # choice: “stay” leaves the records behind knowingly.
        # late: Lateness, nil where only the rules are asked.
        def initialize(judged, account, new_host, missing: [], choice: nil, late: nil)
          @choice = choice
          @late = late
          @judged = judged
          @missing = missing
          @account = account
          @new_host = new_host
        end

        def all
          [*already, *rules, *@missing, *places, *records].map { |s| Words.text(s) }
        end

        # What speaks against the host alone, or against going without one.
        def of_host = records.map { |s| Words.text(s) }

        # That not enough is known; the gate says so, too.
        def not_known = lacking.map { |s| Words.text(s) }

        private

        attr_reader :judged, :account, :new_host

        def words
          {
            name: judged.name.to_s,
            from: judged.account.title,
            to: account.title,
            host: new_host&.title
          }
        end
        def refusal(key, **more) = Words.phrase("plan.refused.#{key}", **words, **more)

        def already
          [
            (refusal(:moving) if judged.move && !judged.move.plan.prepare?),
            (refusal(:there) if account.id == judged.account.id)
          ].compact
        end

        # What bars or delays it, and what has to be put right first.
        def rules
          found = judged.findings_open + judged.verdict.fixes.select { |f| f.in_move == "first" }
          found = found.reject { |f| (within? && BETWEEN.include?(f.rule)) || f.rule == LATE }
          found.map(&:because) + [@late&.refusal(words)].compact + lacking
        end

        # What has to be known before anybody can say that it may go.
        def lacking
          found = judged.verdict.lacking.reject { |u| within? && BETWEEN.include?(u.rule) }
          return [] if found.empty?

          [
            refusal(
              :not_known,
              what: found.map(&:title).uniq,
              find_out: found.map(&:find_out).uniq.join(" ")
            )
          ]
        end

        def within? = judged.account.same_registrar?(account) == true

        def places
          [(refusal(:no_support) if letters_without_address?)].compact
        end

        # Where everything goes by letter, an address for letters has to be known.
        def letters_without_address?
          judged.account.ways.value?("letter") && judged.account.habits["support"].to_s.empty?
        end

        def records
          return staying unless new_host

          [
            (refusal(:signed_unknown) if judged.facts[:signed].nil?),
            (refusal(:serves_already) if new_host.title == judged.facts[:dns_host]),
            (refusal(:host_ends) if ends_elsewhere?)
          ].compact
        end

        # The name servers stay: whether they can is answered, or asked.
        def staying
          return [] if @choice == "stay" || within?
          return [refusal(:zone_ends)] if judged.needs_carry?

          asked = judged.facts.dns_stays.unknown? && judged.facts[:name_servers].to_a.any?
          asked ? [refusal(:dns_unknown, servers: judged.facts[:name_servers])] : []
        end

        # With any account but the one where the name goes.
        def ends_elsewhere? = !new_host.ends_with.nil? && new_host.ends_with != account.id
      end
    end
  end
end
