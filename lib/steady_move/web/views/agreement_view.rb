# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # What a client is asked to agree to, as JSON.
      module AgreementView
        module_function

        # asked: [Store::Agreements::Agreement, was the batch changed since?].
        def state(asked)
          one, changed = asked
          {
            client: one.client,
            asked_by: one.asked_by,
            made_at: Json.time(one.made_at),
            changed: changed,
            answer: one.answer,
            answered_by: one.answered_by,
            says: one.says,
            answered_at: Json.time(one.answered_at)
          }
        end

        # batch: Store::Batches::Batch.
        def page(batch, asked)
          shown = asked.first.shown
          {
            title: batch.title,
            state: state(asked),
            names: shown["names"].map { |n| name(n) },
            left_out: shown["left_out"].map { |n| Core::Names::Idn.shown(n) },
            range: shown["range"].map { |t| Json.time(t) },
            public: Desk::Batches::Agreements::CONTACT,
            **costs(shown["names"].map { |n| amount(n) })
          }
        end

        def costs(amounts)
          {
            total: Desk::Batches::Batch.add(amounts.compact).map { |a| Json.amount(a) },
            unpriced: amounts.count(&:nil?)
          }
        end

        def name(shown)
          {
            **Json.name(shown["name"]),
            to: shown["to"],
            uptime: shown["uptime"],
            at: Json.time(shown["at"]),
            total: Json.amount(amount(shown)),
            public_until: Json.time(shown["public_until"])
          }
        end

        def amount(shown) = shown["total"] && Core::Money::Amount.new(*shown["total"])
        private_class_method :costs, :name, :amount
      end
    end
  end
end
