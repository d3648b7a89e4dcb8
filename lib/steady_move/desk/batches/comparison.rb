# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # Every name against every destination that takes it, one to ten years ahead.
      class Comparison
        Outlook = Core::Money::Outlook
        # One name. stay: [Amount] of staying; ways: [Outlook::Way]; best: id of the cheapest, nil
        # where staying is, or where nothing can be compared; break_even: {id => year or nil}.
        Row = Struct.new(:name, :from, :stay, :ways, :best, :break_even, keyword_init: true)
        # One destination over all names. goes: how many it takes at a known price; ahead: {currency
        # => [minor]} of all names in that currency, those that it doesn't take staying where they
        # are; out: {why => [name]}.
        Line = Struct.new(:id, :title, :goes, :ahead, :out, keyword_init: true)
        Table = Struct.new(:rows, :lines, :years, :converted, keyword_init: true)
        # Ids of the two lines that are no single destination.
        STAY = "stay"
        MIXED = "mixed"

        def initialize(ports)
          @ports = Ports.of(ports)
          @rates = @ports.settings.rates
          @memo = {}
        end

        # names: A-label texts; those that are not held are left out. Returns Table.
        def compare(names, years:, privacy: false)
          @years = years
          @privacy = privacy
          @accounts = @ports.accounts.all
          rows = names.filter_map { |name| row(name) }
          lines = [
            stay(rows),
            *@accounts.map { |a| line(a, rows) }.select { |l| l.goes.positive? || l.out.any? },
            mixed(rows)
          ]
          Table.new(rows: rows, lines: lines, years: years, converted: @rates)
        end

        private

        def row(name)
          held = @ports.names.find(name) or return
          facts = @ports.names.facts(name)
          suffix = Core::Names::DomainName.held(name).suffix
          from = @accounts.find { |a| a.id == held[:account_id] }
          stay = staying(from, suffix, facts[:stay_price])
          ways = (@accounts - [from]).map { |a| way(a, name, suffix, facts[:premium]) }
          currency = stay.first&.currency
          best =
            currency &&
              Outlook.cheapest(
                [Outlook::Way.new(id: "", ahead: stay), *ways],
                currency: currency,
                years: @years
              )
          Row.new(
            name: name,
            from: from&.id,
            stay: stay,
            ways: ways,
            best: (best.id if best && best.id != ""),
            break_even: ways.to_h { |w| [w.id, Outlook.break_even(w.ahead, stay)] }
          )
        end

        def staying(account, suffix, noted)
          return [] unless account

          noted = Core::Money::Amount.of(noted)
          @memo[[account.id, suffix, noted, false]] ||= ahead(
            account.prices_of(suffix).with_renewal(noted),
            moving: false
          )
        end

        def way(account, name, suffix, premium)
          takes =
            account.habits["suffixes"]&.any? { |s| Core::Names::DomainName.held(name).under?(s) }
          list = premium || takes == false ? [] : going(account, suffix)
          Outlook::Way.new(
            id: account.id,
            takes: takes,
            ahead: list,
            why: (:suffix if takes == false) || (:premium if premium) || (:price if list.empty?)
          )
        end

        def going(account, suffix)
          @memo[[account.id, suffix, nil, true]] ||= ahead(account.prices_of(suffix), moving: true)
        end

        # In one currency where rates are known.
        def ahead(prices, moving:)
          list =
            Core::Money::Quoting.ahead(
              prices,
              years: @years,
              moving: moving,
              privacy: @privacy,
              on: @ports.now
            )
          return list unless @rates

          other = list.map { |a| Core::Money::Conversion.convert(a, @rates) }
          other.any?(&:nil?) ? list : other
        end

        def stay(rows)
          Line.new(
            id: STAY,
            title: Words.say(:"compare.stay"),
            goes: 0,
            ahead: sums(rows.map(&:stay)),
            out: {
            }
          )
        end

        def line(account, rows)
          ways = rows.map { |r| r.ways.find { |w| w.id == account.id } }
          out = rows.zip(ways).select { |_, w| w && !w.usable? }.group_by { |_, w| w.why }
          chosen = rows.zip(ways).map { |r, w| w&.usable? && comparable?(r, w) ? w.ahead : r.stay }
          Line.new(
            id: account.id,
            title: account.title,
            goes: ways.compact.count(&:usable?),
            ahead: sums(chosen),
            out: out.transform_values { |pairs| pairs.map { |r, _| r.name } }
          )
        end

        def mixed(rows)
          chosen = rows.map { |r| r.best ? r.ways.find { |w| w.id == r.best }.ahead : r.stay }
          Line.new(
            id: MIXED,
            title: Words.say(:"compare.mixed"),
            goes: rows.count(&:best),
            ahead: sums(chosen),
            out: {
            }
          )
        end

        def comparable?(row, way)
          row.stay.any? && row.stay.first.currency == way.ahead.first.currency
        end

        # {currency => [minor after each year]} of those that have a price.
        def sums(lists)
          lists
            .reject(&:empty?)
            .group_by { |l| l.first.currency }
            .transform_values { |same| (0...@years).map { |i| same.sum { |l| l[i].minor } } }
        end
      end
    end
  end
end
