;; Sets of situations, one bit each, in the linear memory: $n bytes from an address on, both multiples of 16.
;; `npm run kernel` assembles this into kernel-code.ts; kernel.ts gives its functions their names and their memory.
(module
  (memory (export "memory") 1)

  ;; a := a or b
  (func (export "absorb") (param $a i32) (param $b i32) (param $n i32)
    (local $end i32)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (v128.store (local.get $a) (v128.or (v128.load (local.get $a)) (v128.load (local.get $b))))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end)))))

  ;; a := a or (b and c)
  (func (export "absorbBoth") (param $a i32) (param $b i32) (param $c i32) (param $n i32)
    (local $end i32)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (v128.store (local.get $a)
        (v128.or (v128.load (local.get $a)) (v128.and (v128.load (local.get $b)) (v128.load (local.get $c)))))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (local.set $c (i32.add (local.get $c) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end)))))

  ;; to := a and b; whether anything is in it
  (func (export "both") (param $to i32) (param $a i32) (param $b i32) (param $n i32) (result i32)
    (local $end i32) (local $word v128) (local $any v128)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (v128.store (local.get $to) (local.tee $word (v128.and (v128.load (local.get $a)) (v128.load (local.get $b)))))
      (local.set $any (v128.or (local.get $any) (local.get $word)))
      (local.set $to (i32.add (local.get $to) (i32.const 16)))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end))))
    (v128.any_true (local.get $any)))

  ;; to := a without b; whether anything is in it
  (func (export "without") (param $to i32) (param $a i32) (param $b i32) (param $n i32) (result i32)
    (local $end i32) (local $word v128) (local $any v128)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (v128.store (local.get $to) (local.tee $word (v128.andnot (v128.load (local.get $a)) (v128.load (local.get $b)))))
      (local.set $any (v128.or (local.get $any) (local.get $word)))
      (local.set $to (i32.add (local.get $to) (i32.const 16)))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end))))
    (v128.any_true (local.get $any)))

  ;; moves what a and b share from a to lost; whether anything is left in a
  (func (export "lose") (param $lost i32) (param $a i32) (param $b i32) (param $n i32) (result i32)
    (local $end i32) (local $mine v128) (local $theirs v128) (local $any v128)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (local.set $mine (v128.load (local.get $a)))
      (local.set $theirs (v128.load (local.get $b)))
      (v128.store (local.get $lost)
        (v128.or (v128.load (local.get $lost)) (v128.and (local.get $mine) (local.get $theirs))))
      (v128.store (local.get $a) (local.tee $mine (v128.andnot (local.get $mine) (local.get $theirs))))
      (local.set $any (v128.or (local.get $any) (local.get $mine)))
      (local.set $lost (i32.add (local.get $lost) (i32.const 16)))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end))))
    (v128.any_true (local.get $any)))

  ;; whether a and b share anything
  (func (export "meets") (param $a i32) (param $b i32) (param $n i32) (result i32)
    (local $end i32)
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (if (v128.any_true (v128.and (v128.load (local.get $a)) (v128.load (local.get $b))))
        (then (return (i32.const 1))))
      (local.set $b (i32.add (local.get $b) (i32.const 16)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 16))) (local.get $end))))
    (i32.const 0))

  ;; the number of the first situation in both a and b, or -1
  (func (export "firstOfBoth") (param $a i32) (param $b i32) (param $n i32) (result i32)
    (local $begin i32) (local $end i32) (local $word i64)
    (local.set $begin (local.get $a))
    (local.set $end (i32.add (local.get $a) (local.get $n)))
    (loop $next
      (if (i64.ne (local.tee $word (i64.and (i64.load (local.get $a)) (i64.load (local.get $b)))) (i64.const 0))
        (then (return (i32.add
          (i32.shl (i32.sub (local.get $a) (local.get $begin)) (i32.const 3))
          (i32.wrap_i64 (i64.ctz (local.get $word)))))))
      (local.set $b (i32.add (local.get $b) (i32.const 8)))
      (br_if $next (i32.lt_u (local.tee $a (i32.add (local.get $a) (i32.const 8))) (local.get $end))))
    (i32.const -1))

  ;; to := (left and won, without mine and tied) or (heard and cut); whether anything is in it
  (func (export "masked")
    (param $to i32) (param $left i32) (param $won i32) (param $mine i32) (param $tied i32) (param $heard i32) (param $cut i32)
    (param $n i32) (result i32)
    (local $at i32) (local $word v128) (local $any v128)
    (loop $next
      (local.set $word
        (v128.or
          (v128.andnot
            (v128.and
              (v128.load (i32.add (local.get $left) (local.get $at)))
              (v128.load (i32.add (local.get $won) (local.get $at))))
            (v128.or
              (v128.load (i32.add (local.get $mine) (local.get $at)))
              (v128.load (i32.add (local.get $tied) (local.get $at)))))
          (v128.and
            (v128.load (i32.add (local.get $heard) (local.get $at)))
            (v128.load (i32.add (local.get $cut) (local.get $at))))))
      (v128.store (i32.add (local.get $to) (local.get $at)) (local.get $word))
      (local.set $any (v128.or (local.get $any) (local.get $word)))
      (br_if $next (i32.lt_u (local.tee $at (i32.add (local.get $at) (i32.const 16))) (local.get $n))))
    (v128.any_true (local.get $any)))
)
