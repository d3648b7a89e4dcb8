# frozen_string_literal: true

module SteadyMove
  module Desk
    module Accounts
      # What people learn of a registrar on the way, kept with its account for the next time: where
      # an act is found on its pages, in their own words, and habits that finished steps showed.
      class Habits
        # key: of a habit; value: what would be kept; says: a sentence that offers it.
        Learnt = Struct.new(:key, :value, :says, keyword_init: true)
        # Names of an account that are looked through for a privacy service.
        LOOKED = 300
        ACTS = (Core::Moves::Channels::ALLOWED.keys + %w[confirm settings lock_back]).freeze
        MOST = 200
        # How much later than noted a code has to come before it is offered to be kept.
        LATER = 1.5

        # What a registrar may ask for on the way => the habit that it shows.
        ASKED = {
          "reason" => {
            "code_reason" => true
          },
          "mail" => {
            "code_guard" => "mail"
          },
          "factor" => {
            "code_guard" => "factor"
          },
          "privacy" => {
            "code_after_privacy" => true
          },
          "again" => {
            "code_at_release" => true
          },
          "nothing" => {
            "code_reason" => false,
            "code_guard" => nil,
            "code_after_privacy" => false
          }
        }.freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Where an act is at an account; words: nil or blank takes it back. Raises Refused.
        def put_where(account_id, act, words, by:)
          account = find(account_id)
          unless ACTS.include?(act)
            raise Refused.new(:invalid, :no_such_act, given: act, known: ACTS)
          end

          said = words.to_s.strip[0, MOST]
          where = (account.habits["where"] || {}).merge(act => said).reject { |_, w| w.empty? }
          @ports.accounts.keep_habits(account, "where" => where)
          note("where_noted", account, by, said.empty? ? "–" : said)
        end

        # What its finished steps show that is not noted, or differs: [Learnt].
        def learnt(account_id)
          account = find(account_id)
          [code_takes(account), *stand_in(account)].compact
        end

        # Keeps one of what was learnt. Raises Refused.
        def keep_learnt(account_id, key, by:)
          found = learnt(account_id).find { |l| l.key == key } or
            raise Refused.new(:not_now, :nothing_learnt, given: key)
          account = find(account_id)
          @ports.accounts.keep_habits(account, key => found.value)
          note("habit_kept", account, by, found.says)
        end

        # Something that an act there asks for, of ASKED.
        # Raises Refused.
        def asks(account_id, what, by:)
          account = find(account_id)
          change = ASKED[what] or raise Refused.new(:invalid, :no_such_habit, given: what)

          @ports.accounts.keep_habits(account, change)
          note("habit_kept", account, by, Words.phrase("habits.asks.#{what}"))
        end

        private

        def find(id) = @ports.accounts.find(id) || raise(Refused.new(:unknown, :no_account, id: id))

        # A mail domain in the public record of its names that looks like a privacy service's and is
        # neither known as one nor as the holders' own: offered as the one, and as the other.
        def stand_in(account)
          domain = account.habits["privacy"] ? nil : covering(account)
          return [] unless domain

          own = account.habits["own_domains"].to_a | [domain]
          [
            Learnt.new(key: "privacy", value: domain, says: says(:stands_in, domain)),
            Learnt.new(key: "own_domains", value: own, says: says(:own_domain, domain))
          ]
        end

        # The mail domain that stands in most often.
        def covering(account)
          shown = @ports.names.shown_addresses(account.id, most: LOOKED)
          emails = shown.select { |name, email| looks_covered?(account, email, name) }.map(&:last)
          emails.map { |email| email.downcase.rpartition("@").last }.tally.max_by(&:last)&.first
        end

        def looks_covered?(account, email, name)
          !account.readable?(email, name) && Core::Contacts::StandIn.of(email, name)
        end

        def says(key, domain) = Words.say(:"habits.#{key}", domain: domain)

        # How long codes took that were asked for there: from the asking to the code in the safe.
        def code_takes(account)
          took = @ports.moves.of_account(account.id).filter_map { |move| code_took(move) }
          return if took.empty?

          longest = took.max
          noted = account.habits["code_takes"]
          return if noted && longest <= noted.last * LATER && longest >= noted.first

          value = [took.min, took.sort[took.size / 2], longest]
          Learnt.new(
            key: "code_takes",
            value: value,
            says:
              Words.say(
                noted ? :"habits.code_later" : :"habits.code_took",
                took: Words.span(longest),
                noted: noted && Words.span(noted.last),
                count: took.size
              )
          )
        end

        def code_took(move)
          step = move.plan.steps.find { |s| s.act == "code" && s.by_hand? } or return
          asked =
            move.events.find do |e|
              e.step == step.id && Core::Moves::Log::SET_GOING.include?(e.type)
            end
          came = move.events.find { |e| e.step == step.id && e.done? }
          asked && came && came.at > asked.at ? (came.at - asked.at).to_i : nil
        end

        def note(key, account, by, what)
          @ports.journal.add(
            "places",
            at: @ports.now,
            by: by,
            says: Words.phrase("journal.#{key}", by: by, title: account.title, what: what)
          )
        end
      end
    end
  end
end
