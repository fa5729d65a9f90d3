// Poppies and copper: a still life by a window, reds and metals beyond any paper.
#version 3.7;
global_settings { assumed_gamma 1.0 max_trace_level 7 }
camera { location <0.1,3.1,-10.2> look_at <0.12,2.12,0> right x*image_width/image_height angle 31 }
light_source { <-9,8.5,-5> rgb <2.3,2.15,1.9> area_light <3,0,0>,<0,3,0>,6,6 jitter adaptive 1 circular orient }
light_source { <9,3,-9> rgb <0.10,0.12,0.17> shadowless }
// room: dark wall, window seen only in reflections
plane { -z,-4.2 pigment { granite scale 1.6 color_map { [0 rgb <0.026,0.030,0.030>][1 rgb <0.055,0.058,0.054>] } } normal { granite 0.10 scale 0.3 } finish { ambient 0 diffuse 0.8 } }
box { <-14,3,-9>,<-13.9,11,-2> pigment { rgb 1 } finish { ambient 0 emission <1.6,1.7,1.8> diffuse 0 } no_image no_shadow }
box { <-13.8,3,-5.6>,<-13.7,11,-5.3> pigment { rgb 0.05 } no_image no_shadow }
sky_sphere { pigment { rgb <0.03,0.032,0.036> } }
// table
box { <-9,-0.3,-3.2>,<9,0,4.2> pigment { wood turbulence 0.06 octaves 4 scale <0.28,0.28,4> rotate y*88 rotate x*4 color_map { [0 rgb <0.11,0.055,0.026>][0.6 rgb <0.20,0.105,0.052>][1 rgb <0.075,0.036,0.018>] } } normal { granite 0.10 scale <1.2,0.05,0.06> } finish { ambient 0 diffuse 0.75 specular 0.22 roughness 0.03 reflection { 0.015,0.16 } } }
#declare Copper = texture { pigment { granite scale 0.8 color_map { [0 rgb <0.74,0.25,0.09>][1 rgb <0.90,0.38,0.16>] } } normal { average normal_map { [1 bumps 0.10 scale 0.22][1 granite 0.03 scale 0.05] } } finish { ambient 0 diffuse 0.28 specular 1.0 roughness 0.025 metallic reflection { 0.55 metallic } } }
// jug
#declare Jug = union {
 difference { lathe { cubic_spline 9,<0.6,-0.4>,<0.72,0>,<1.02,0.55>,<1.0,1.15>,<0.62,1.75>,<0.46,2.1>,<0.60,2.45>,<0.66,2.52>,<0.7,2.8> } cylinder { <0,0.1,0>,<0,3,0>,0.43 } }
 torus { 0.64,0.035 translate y*2.46 }  torus { 0.73,0.04 translate y*0.03 } torus { 0.47,0.022 translate y*2.06 }
 sphere_sweep { cubic_spline 6, <0.3,2.5,0>,0.05 <0.60,2.35,0>,0.055 <1.12,2.25,0>,0.065 <1.30,1.65,0>,0.065 <0.98,1.15,0>,0.055 <0.6,1.0,0>,0.05 tolerance 0.01 }
 texture { Copper } }
object { Jug rotate y*-28 translate <-0.55,0,0.35> }
// bowl
difference { sphere { <0,0.95,0>,0.95 } sphere { <0,0.97,0>,0.91 } box { <-2,0.80,-2>,<2,3,2> } scale <1.02,0.9,1.02> translate <1.95,0,-0.55> texture { Copper } }
cylinder { <1.95,0,-0.55>,<1.95,0.06,-0.55>,0.42 texture { Copper } }
#declare S=seed(23);
// lemons and limes in the bowl: greens and yellows a paper can't hold
#macro Fruit(P,C,R) union { sphere { 0,0.27 scale <1,1,1.22> } sphere { <0,0,0.32>,0.06 } sphere { <0,0,-0.30>,0.09 } pigment { bozo scale 0.2 color_map { [0 rgb C][1 rgb C*0.82] } } normal { granite 0.12 scale 0.03 } finish { ambient 0 diffuse 0.82 specular 0.32 roughness 0.05 } rotate R translate P } #end
Fruit(<1.68,0.62,-0.78>,<1.0,0.62,0.0>,<0,30,10>) Fruit(<2.25,0.62,-0.60>,<0.98,0.66,0.0>,<20,80,0>) Fruit(<1.95,0.64,-0.2>,<0.24,0.52,0.0>,<0,130,20>) Fruit(<1.98,0.88,-0.55>,<1.0,0.58,0.0>,<30,10,40>) Fruit(<2.85,0.27,-1.4>,<0.26,0.56,0.0>,<0,60,0>)
// a poppy: four crumpled petals, a dark heart, a bent stem
#declare Petal = height_field { function 220,220 { pigment { average pigment_map { [1 wrinkles scale <0.12,0.9,1> color_map { [0 rgb 0.32][1 rgb 0.68] }] [2 function { min(1,(x-0.5)*(x-0.5)*2.4 + y*y*0.55) } color_map { [0 rgb 0][1 rgb 1] }] } } } smooth translate <-0.5,0,0> }
#declare PetalCut = intersection { object { Petal scale <1.25,0.34,1.05> } sphere { 0,1 scale <0.60,1.2,0.52> translate <0,0.1,0.50> } }
#macro Poppy(P,D,Sz,C) union { #local n=0; #while (n<4)
  object { PetalCut rotate x*(-18-16*rand(S)+ (mod(n,2)*10)) rotate y*(n*90+14*(rand(S)-0.5)) translate y*-0.05 texture { pigment { spherical scale 0.42 color_map { [0 rgb C*(0.85+0.2*rand(S))][0.45 rgb C*0.9][0.62 rgb <0.05,0.004,0.008>][1 rgb <0.02,0.003,0.005>] } } finish { ambient 0 diffuse 0.70,0.45 specular 0.14 roughness 0.07 } } }
  #local n=n+1; #end
  sphere { <0,0.10,0>,0.11 scale <1,1.1,1> pigment { radial frequency 9 color_map { [0 rgb <0.10,0.14,0.05>][0.5 rgb <0.05,0.08,0.03>] } } finish { ambient 0 diffuse 0.8 } }
  #local n=0; #while (n<46) #local r=0.15+0.10*rand(S); #local a=n*137.5; cylinder { <0,0.02,0>,<r*cos(radians(a)),0.10+0.10*rand(S),r*sin(radians(a))>,0.006 pigment { rgb <0.02,0.012,0.02> } } sphere { <r*cos(radians(a)),0.15+0.06*rand(S),r*sin(radians(a))>,0.018 pigment { rgb <0.03,0.02,0.028> } finish { ambient 0 diffuse 0.7 } } #local n=n+1; #end
  scale Sz rotate x*D.x rotate z*D.z rotate y*D.y translate P } #end
#macro Stem(A,B,C2) sphere_sweep { cubic_spline 5, A-(B-A)*0.2,0.028 A,0.028 B,0.024 C2,0.020 C2+(C2-B)*0.2,0.02 tolerance 0.01 pigment { rgb <0.09,0.17,0.045> } finish { ambient 0 diffuse 0.8 } } #end
#macro Stand(To,D,Sz,C) Stem(<-0.55,2.1,0.35>,<(-0.55+To.x)/2*1.04,(2.4+To.y)/2+0.1,0.3>,To+<0,-0.04,0>) Poppy(To,D,Sz,C) #end
Stand(<-0.95,3.50,0.0>,<-48,8,10>,0.76,<1.0,0.020,0.004>)
Stand(<0.22,3.66,0.15>,<-40,-6,-20>,0.56,<1.0,0.045,0.0>)
Stand(<-0.28,3.05,-0.45>,<-66,4,-2>,0.73,<0.96,0.010,0.010>)
Stand(<-1.85,3.00,0.25>,<-50,26,34>,0.66,<1.0,0.10,0.0>)
Stand(<0.98,3.02,0.1>,<-52,-22,-36>,0.62,<0.92,0.012,0.03>)
Stand(<-1.35,4.05,0.6>,<-20,14,24>,0.56,<1.0,0.055,0.0>)
// buds
#macro Bud(P,A) union { sphere { 0,0.13 scale <0.8,1.35,0.8> pigment { granite scale 0.05 color_map { [0 rgb <0.07,0.15,0.04>][1 rgb <0.14,0.24,0.08>] } } normal { granite 0.5 scale 0.02 } finish { ambient 0 diffuse 0.8 } rotate z*A } translate P } #end
Stem(<-0.5,2.1,0.4>,<0.35,3.3,0.5>,<0.75,4.15,0.5>) Bud(<0.77,4.05,0.5>,160) Stem(<-0.5,2.1,0.4>,<-0.55,3.5,0.7>,<-0.35,4.6,0.7>) Bud(<-0.34,4.68,0.7>,10)
